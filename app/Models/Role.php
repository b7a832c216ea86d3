<?php

declare(strict_types=1);

namespace App\Models;

/** What somebody may do on a shelf; each may also do what the ones before may. */
enum Role: string
{
    /** Reads what is there, and its history. */
    case Viewer = 'viewer';

    /** Writes, marks milestones, and restores unless the shelf says otherwise. */
    case Editor = 'editor';

    /** Restores for others, invites, changes rights and removes. */
    case Owner = 'owner';

    public function atLeast(self $other): bool
    {
        return array_search($this, self::cases(), true) >= array_search($other, self::cases(), true);
    }
}
