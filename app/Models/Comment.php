<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A line of a thread, which never changes.
 *
 * @property int $id
 * @property int $thread_id
 * @property int $user_id
 * @property CommentDeed $deed
 * @property int|null $of_id the line that it is done to
 * @property string $text
 * @property int $number of the version that was newest
 * @property CarbonImmutable $at
 * @property-read Thread $thread
 * @property-read User $user
 */
final class Comment extends Model
{
    public $timestamps = false;

    protected $fillable = ['thread_id', 'user_id', 'deed', 'of_id', 'text', 'number', 'at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['deed' => CommentDeed::class, 'of_id' => 'integer', 'number' => 'integer', 'at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Thread, $this> */
    public function thread(): BelongsTo
    {
        return $this->belongsTo(Thread::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
