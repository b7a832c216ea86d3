<?php

declare(strict_types=1);

namespace App\Restoring;

use App\Models\User;

/** What one person wrote in a stretch of versions: after one, up to another. */
final readonly class SomebodysEdits
{
    /** @param string|null $below only what was done to this part, such as a tab, and below it */
    public function __construct(public User $author, public int $from, public int $to, public ?string $below = null) {}
}
