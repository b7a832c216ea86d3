<?php

declare(strict_types=1);

namespace App\View\Talk;

use App\Models\CommentDeed;
use App\Models\User;

/** A line of a thread, as it stood at a version. */
final readonly class CommentSeen
{
    /**
     * @param  int  $by  whose: the same as of the user, and read thousands of times
     * @param  int  $at  seconds since 1970
     * @param  list<string>  $before  how it was worded earlier
     * @param  bool  $isWithdrawn  whether its author took it back: what it said is not told then
     * @param  bool  $isNew  whether it was said after the earlier of two versions
     */
    public function __construct(
        public int $id,
        public int $by,
        public User $user,
        public CommentDeed $deed,
        public string $text,
        public int $at,
        public int $number,
        public array $before,
        public bool $isWithdrawn,
        public bool $isNew,
    ) {}
}
