<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Models\User;

/** A row of a table as it is shown, or a stretch of rows that are the same. */
final readonly class SheetLine
{
    /**
     * @param  int  $same  rows that are left out here; then there is nothing else
     * @param  string  $state  same, added or removed
     * @param  string|null  $note  where it moved from
     * @param  list<SheetCell>  $cells
     */
    public function __construct(
        public int $same,
        public string $id = '',
        public int $number = 0,
        public bool $isHeading = false,
        public string $state = 'same',
        public ?string $note = null,
        public ?User $editor = null,
        public array $cells = [],
    ) {}
}
