<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Models\User;

/** Who wrote a cell last. */
final readonly class CellAuthor
{
    /**
     * @param  int  $age  0 for the newest step of age, more for older ones: see {@see SheetAuthors::AGES}
     * @param  string  $words  who and when
     */
    public function __construct(public ?User $user, public int $age, public string $words) {}
}
