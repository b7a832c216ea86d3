<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property int $item_id
 * @property string $chunk hexadecimal
 * @property string $type
 * @property int $width
 * @property int $height
 * @property bool $is_published whether a version with it was ever published
 * @property bool $is_used whether something has it; what was sent to a form and never became an entry has not
 * @property int|null $bytes of a file that lies in pieces, which the chunk lists; null when the chunk is the picture
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable $updated_at when it was put in last
 * @property bool $is_public whether one was ever read by everybody who has the address
 */
final class Picture extends Model
{
    protected $fillable = ['item_id', 'chunk', 'type', 'width', 'height', 'is_published', 'is_public', 'is_used', 'bytes'];

    protected $attributes = ['is_used' => true];

    /**
     * Something that stays shows these: a version, or a change that waits.
     *
     * @param  list<string>  $chunks
     */
    public static function used(Item $item, array $chunks): void
    {
        $chunks === []
            || self::query()
                ->where('item_id', $item->pictured())
                ->whereIn('chunk', $chunks)
                ->where('is_used', false)
                ->update(['is_used' => true]);
    }

    /** Whether it was put in once more, after it was there. */
    public function wasPutInAgain(): bool
    {
        return $this->updated_at > $this->created_at;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['is_published' => 'boolean', 'is_public' => 'boolean', 'is_used' => 'boolean'];
    }
}
