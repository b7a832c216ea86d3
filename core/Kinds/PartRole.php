<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

/** A role that parts of a kind have: what it may be in and what it holds. */
interface PartRole extends \BackedEnum
{
    /** A field of this name stands for cells: any number of them, each named by the id of its column. */
    public const CELLS = '*';

    /** @param self|null $parent null at the top */
    public function mayStandIn(?self $parent): bool;

    /**
     * @return array<string, string> field => type; one that may be left out ends with `?`. Types: text (rich), plain (text
     *                               without marks), bool, int:from:to, number, string:most, words:a|b, hash, date (ISO 8601), list:most (of
     *                               strings), address (a link, or none), addresses:most, cell
     */
    public function fields(): array;
}
