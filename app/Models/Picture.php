<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property int $item_id
 * @property string $chunk hexadecimal
 * @property string $type
 * @property int $width
 * @property int $height
 * @property bool $is_published whether a version with it was ever published
 */
final class Picture extends Model
{
    protected $fillable = ['item_id', 'chunk', 'type', 'width', 'height', 'is_published'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['is_published' => 'boolean'];
    }
}
