<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Models\User;

/** A cell as it is shown: what it was above what it is. */
final readonly class SheetCell
{
    /**
     * @param  string|null  $old  what it was; null when that is not shown
     * @param  string  $state  same, typed, filled, emptied, formatted, moved-on (the result of a formula that nobody touched), added or
     *     removed
     * @param  string|null  $difference  of numbers, with its share: “+16.2 (+900 %)”
     * @param  CellAuthor|null  $author  where it is asked who wrote each cell, of those that show something
     */
    public function __construct(
        public string $column,
        public ?string $old,
        public string $now,
        public string $state,
        public string $classes,
        public ?User $editor,
        public ?string $difference,
        public ?CellAuthor $author = null,
    ) {}
}
