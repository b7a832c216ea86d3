<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Formulas\Spelling;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;

/**
 * Brings the results of a spreadsheet up to date with its cells, working out only what depends on what changed. Finding what
 * depends is O(cells) and by far the smaller part; formulas are worked out in the order of what they read, each once.
 */
final class Recalculation
{
    /** Steps, of about a microsecond each, that the formulas of one save may take; what comes after says that it was too much. */
    public const MOST_STEPS = 10_000_000;

    private readonly Sheets $sheets;

    private readonly Evaluation $evaluation;

    /** @var array<string, list<string>> cell => formulas that read it by itself */
    private array $readers = [];

    /** @var array<string, array<int, list<array{int, int, string}>>> tab => column => rows from and to, formula that reads them */
    private array $ranges = [];

    /** @var array<string, list<string>> formula => the cells that it reads by themselves */
    private array $singles = [];

    /** @var array<string, list<array{string, int, int, int, int}>> formula => the rectangles that it reads */
    private array $rectangles = [];

    /** @var array<string, true> formulas to be worked out */
    private array $stale = [];

    /** @var array<string, list<int>>|null tab.column => positions of the rows that hold a stale formula, ascending */
    private ?array $staleRows = null;

    private function __construct(private readonly PartTree $before, private readonly PartTree $after, string $today, int $most)
    {
        $this->sheets = new Sheets($after, $most);
        $this->evaluation = new Evaluation($this->sheets, $today);
    }

    /**
     * @param  PartTree  $before  a state whose results are right, and of which most is as it was; empty when there is none
     * @param  string  $today  the day that TODAY gives, ISO 8601
     */
    public static function of(PartTree $before, PartTree $after, string $today, int $most = self::MOST_STEPS): PartTree
    {
        if (! Spelling::hasFormulas($after)) {
            return $after;
        }
        $self = new self($before, $after, $today, $most);
        $self->link();
        $self->findStale();
        $self->workOut();

        return $self->settled();
    }

    private function link(): void
    {
        foreach ($this->sheets->formulas as $key => $node) {
            foreach ($node->references as $reference) {
                if ($reference->isCell()) {
                    $cell = ($reference->row === '' ? $node->row : $reference->row)."/{$reference->column}";
                    $this->readers[$cell][] = $key;
                    $this->singles[$key][] = $cell;

                    continue;
                }
                $rectangle = $this->sheets->rectangle($reference->from($node->row));
                if ($rectangle !== null) {
                    $this->rectangles[$key][] = $rectangle;
                    for ($column = $rectangle[3]; $column <= $rectangle[4]; $column++) {
                        $this->ranges[$rectangle[0]][$column][] = [$rectangle[1], $rectangle[2], $key];
                    }
                }
            }
        }
    }

    private function findStale(): void
    {
        [$changed, $tabs] = $this->changed();
        $open = $changed;
        foreach ($this->sheets->formulas as $key => $node) {
            $template = $this->evaluation->template($node);
            $result = Cell::result($node->value);
            $stale = $result === null
            || $template->byDay
            // Something came, went or moved: what reads blocks or places there, or reads what was gone.
            || ($tabs !== []
                && ($template->byPlace
                    || (is_array($result) && $result[0] === '!')
                    || $this->reads($key, $tabs)
                    || $this->readsGone($key)));
            if ($stale) {
                $open[] = $key;
            }
        }
        while ($open !== []) {
            $cell = (string) array_pop($open);
            if (isset($this->sheets->formulas[$cell])) {
                if (isset($this->stale[$cell])) {
                    continue;
                }
                $this->stale[$cell] = true;
            }
            if (count($this->stale) === count($this->sheets->formulas)) {
                return;
            }
            foreach ($this->readersOf($cell) as $reader) {
                if (! isset($this->stale[$reader])) {
                    $open[] = $reader;
                }
            }
        }
    }

    /**
     * @return array{list<string>, array<string, true>} the cells that changed, and the tabs in which rows or columns came, went or moved
     */
    private function changed(): array
    {
        $cells = $tabs = [];
        if ($this->before->parts === []) {
            return [$cells, array_fill_keys(array_keys($this->sheets->places->tabs), true)];
        }
        $before = $this->before->byId();
        foreach ($this->after->parts as $part) {
            $was = $before[$part->id] ?? null;
            if ($was === $part || $part->role !== SpreadsheetRole::Row->value) {
                continue;
            }
            if ($was === null || $was->fields !== $part->fields) {
                foreach ($part->fields + ($was->fields ?? []) as $column => $unused) {
                    if (($was->fields[$column] ?? null) !== ($part->fields[$column] ?? null)) {
                        $cells[] = "{$part->id}/{$column}";
                    }
                }
            }
        }
        $structure = function (PartTree $tree): array {
            $lists = [];
            $tab = '';
            foreach ($tree->parts as $part) {
                $tab = $part->role === SpreadsheetRole::Tab->value ? $part->id : $tab;
                $lists[$tab][] = $part->id;
            }

            return $lists;
        };
        [$old, $new] = [$structure($this->before), $structure($this->after)];
        foreach ($new + $old as $tab => $unused) {
            if (($old[$tab] ?? []) !== ($new[$tab] ?? [])) {
                $tabs[(string) $tab] = true;
            }
        }

        return [$cells, $tabs];
    }

    /** @param array<string, true> $tabs */
    private function reads(string $key, array $tabs): bool
    {
        foreach ($this->rectangles[$key] ?? [] as [$tab]) {
            if (isset($tabs[$tab])) {
                return true;
            }
        }

        return false;
    }

    private function readsGone(string $key): bool
    {
        foreach ($this->sheets->formulas[$key]->references as $reference) {
            foreach ($reference->ids() as $id) {
                if ($id !== '' && $this->sheets->places->of($id) === null) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return list<string> */
    private function readersOf(string $cell): array
    {
        $readers = $this->readers[$cell] ?? [];
        [$row, $column] = explode('/', $cell);
        $at = $this->sheets->places->of($row);
        if ($at === null) {
            return $readers;
        }
        foreach ($this->ranges[$at[0]][$this->sheets->places->position($column)] ?? [] as [$from, $to, $reader]) {
            if ($from <= $at[1] && $at[1] <= $to) {
                $readers[] = $reader;
            }
        }

        return $readers;
    }

    /** Depth first without recursion, since a column of running totals is as deep as it is long. */
    private function workOut(): void
    {
        $done = $path = $circular = [];
        foreach (array_intersect_key($this->sheets->formulas, $this->stale) as $start => $unused) {
            $stack = [$start];
            while ($stack !== []) {
                $key = $stack[count($stack) - 1];
                if (isset($done[$key])) {
                    array_pop($stack);
                } elseif (isset($path[$key])) {
                    array_pop($stack);
                    unset($path[$key]);
                    $done[$key] = true;
                    $node = $this->sheets->formulas[$key];
                    $this->sheets->settle(
                        $node->row,
                        $node->column,
                        isset($circular[$key]) ? ['!', '#CIRCLE!'] : $this->evaluation->result($node),
                    );
                } else {
                    $path[$key] = true;
                    foreach ($this->staleReadBy($key) as $needed) {
                        if (isset($path[$needed])) {
                            // All from there on go round.
                            $round = false;
                            foreach ($path as $on => $true) {
                                $round = $round || $on === $needed;
                                $circular += $round ? [$on => true] : [];
                            }
                        } elseif (! isset($done[$needed])) {
                            $stack[] = $needed;
                        }
                    }
                }
            }
        }
    }

    /** @return list<string> the stale formulas that a formula reads */
    private function staleReadBy(string $key): array
    {
        $needed = array_values(array_filter($this->singles[$key] ?? [], fn (string $cell) => isset($this->stale[$cell])));
        foreach ($this->rectangles[$key] ?? [] as [$tab, $top, $bottom, $from, $to]) {
            for ($column = $from; $column <= $to; $column++) {
                $id = $this->sheets->places->columns[$tab][$column];
                $rows = $this->staleRows()[$id] ?? [];
                for ($at = self::first($rows, $top); $at < count($rows) && $rows[$at] <= $bottom; $at++) {
                    $needed[] = $this->sheets->places->rows[$tab][$rows[$at]].'/'.$id;
                }
            }
        }

        return $needed;
    }

    /** @return array<string, list<int>> */
    private function staleRows(): array
    {
        if ($this->staleRows === null) {
            $this->staleRows = [];
            foreach ($this->stale as $key => $unused) {
                [$row, $column] = explode('/', (string) $key);
                $this->staleRows[$column][] = $this->sheets->places->position($row);
            }
            foreach ($this->staleRows as &$rows) {
                sort($rows);
            }
        }

        return $this->staleRows;
    }

    /** @param list<int> $rows ascending */
    private static function first(array $rows, int $from): int
    {
        [$low, $high] = [0, count($rows)];
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($rows[$middle] < $from) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }

    private function settled(): PartTree
    {
        $rows = [];
        foreach ($this->stale as $key => $unused) {
            $node = $this->sheets->formulas[$key];
            $rows[$node->row][$node->column] = $this->sheets->kept($node->row, $node->column);
        }
        $parts = $this->after->parts;
        foreach ($parts as $position => $part) {
            if (isset($rows[$part->id])) {
                /** @var array<string, string|int|float|bool|list<string|int|float|bool>> $fields */
                $fields = [...$part->fields, ...$rows[$part->id]];
                $parts[$position] = new Part($part->id, $part->role, $part->depth, $fields);
            }
        }

        return PartTree::of($parts);
    }
}
