<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Formulas;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;

/** Where the rows and columns of a spreadsheet are. O(n) once, then O(1) a question. */
final class CellPlaces
{
    /** @var array<string, string> tab => its name */
    public array $tabs = [];

    /** @var array<string, list<string>> tab => ids of its columns, in order */
    public array $columns = [];

    /** @var array<string, list<string>> tab => ids of its rows, in order */
    public array $rows = [];

    /** Whether it knows all rows: of some of a large state, nobody knows where a formula leads. */
    public readonly bool $isWhole;

    /** @var array<string, array{string, int}> row or column => its tab and its position there, from 0 */
    private array $places = [];

    public function __construct(PartTree $tree)
    {
        $this->isWhole = $tree->ordinals === null;
        $tab = '';
        foreach ($tree->parts as $part) {
            if ($part->role === SpreadsheetRole::Tab->value) {
                $tab = $part->id;
                $this->tabs[$tab] = $part->string('name');
                $this->columns[$tab] = $this->rows[$tab] = [];
            } elseif ($part->role === SpreadsheetRole::Column->value) {
                $this->places[$part->id] = [$tab, $tree->ordinals[$part->id] ?? count($this->columns[$tab] ?? [])];
                $this->columns[$tab][] = $part->id;
            } elseif ($part->role === SpreadsheetRole::Row->value) {
                $this->places[$part->id] = [$tab, $tree->ordinals[$part->id] ?? count($this->rows[$tab] ?? [])];
                $this->rows[$tab][] = $part->id;
            }
        }
    }

    /** @return array{string, int}|null the tab that a row or column is in, and its position there; null when it is gone */
    public function of(string $id): ?array
    {
        return $this->places[$id] ?? null;
    }

    public function tab(string $id): string
    {
        return $this->places[$id][0] ?? '';
    }

    public function position(string $id): int
    {
        return $this->places[$id][1] ?? 0;
    }

    public function tabNamed(string $name): ?string
    {
        foreach ($this->tabs as $id => $known) {
            if (mb_strtolower($known) === mb_strtolower($name)) {
                return $id;
            }
        }

        return null;
    }

    /** The letters of the column at a position: 0 is A, 26 is AA. */
    public static function letters(int $position): string
    {
        for ($letters = ''; $position >= 0; $position = intdiv($position, 26) - 1) {
            $letters = chr(65 + $position % 26).$letters;
        }

        return $letters;
    }

    /** The position of the column with some letters: A is 0, AA is 26. */
    public static function column(string $letters): int
    {
        $position = 0;
        foreach (str_split(strtoupper($letters)) as $letter) {
            $position = $position * 26 + ord($letter) - 64;
        }

        return $position - 1;
    }
}
