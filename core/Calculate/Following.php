<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;
use MistyAttic\Core\Kinds\Formulas\Formula;
use MistyAttic\Core\Kinds\Formulas\Reference;
use MistyAttic\Core\Kinds\Formulas\Spelling;
use MistyAttic\Core\Sequences\Increasing;

/**
 * Lets ranges follow when rows or columns go or move. After sorting or moving within a range it covers the same ones as before; what
 * is put in between them joins it, one that is carried off past others leaves it, and one whose ends are removed shrinks. Where its
 * members are scattered, as when a larger table is sorted around it, it stays where it is.
 *
 * Cost: O(rows) once, and O(members) for each range of which a member moved or went.
 */
final class Following
{
    private readonly CellPlaces $old;

    private readonly CellPlaces $new;

    /** @var array<string, true> rows and columns that are gone, or moved among their siblings */
    private array $uprooted = [];

    /** @var array<string, list<int>> tab => how many before each old position were uprooted; rows and columns apart, by their first id */
    private array $uprootedBefore = [];

    /** @var array<string, list<int>> how many before each new position stood there before and stayed */
    private array $rootedBefore = [];

    /** @var array<string, list<int>> how many before each new position stood there before at all */
    private array $knownBefore = [];

    /** @var array<string, array{?string, ?string}|null> */
    private array $stretches = [];

    private function __construct(private readonly PartTree $before, PartTree $after)
    {
        $this->old = new CellPlaces($before);
        $this->new = new CellPlaces($after);
        foreach ([[$this->old->rows, $this->new->rows], [$this->old->columns, $this->new->columns]] as [$old, $new]) {
            foreach ($old as $tab => $ids) {
                if ($ids !== ($new[$tab] ?? [])) {
                    $this->uproot($ids, (string) $tab);
                    $this->count($ids, $new[$tab] ?? []);
                }
            }
        }
    }

    /**
     * @param  list<string>  $old
     * @param  list<string>  $new
     */
    private function count(array $old, array $new): void
    {
        $key = $old[0] ?? '';
        $known = array_flip($old);
        [$uprooted, $rooted, $stood] = [[0], [0], [0]];
        foreach ($old as $at => $id) {
            $uprooted[] = $uprooted[$at] + (isset($this->uprooted[$id]) ? 1 : 0);
        }
        foreach ($new as $at => $id) {
            $rooted[] = $rooted[$at] + (isset($known[$id]) && ! isset($this->uprooted[$id]) ? 1 : 0);
            $stood[] = $stood[$at] + (isset($known[$id]) ? 1 : 0);
        }
        [$this->uprootedBefore[$key], $this->rootedBefore[$key], $this->knownBefore[$key]] = [$uprooted, $rooted, $stood];
    }

    /** Changes the formulas of the later state that are as they were in the earlier one. */
    public static function of(PartTree $before, PartTree $after): PartTree
    {
        $self = new self($before, $after);

        return $self->uprooted === [] ? $after : Spelling::each($after, $self->followed(...));
    }

    /** @param list<string> $ids */
    private function uproot(array $ids, string $tab): void
    {
        $positions = [];
        foreach ($ids as $id) {
            $place = $this->new->of($id);
            if ($place === null || $place[0] !== $tab) {
                $this->uprooted[$id] = true;
            } else {
                $positions[$id] = $place[1];
            }
        }
        foreach (array_keys(Increasing::outside($positions)) as $id) {
            $this->uprooted[$id] = true;
        }
    }

    private function followed(string $formula, Part $row): string
    {
        if (! str_contains($formula, ']:[')) {
            return $formula;
        }
        $was = $this->before->find($row->id);
        foreach ($was->fields ?? [] as $value) {
            if (is_array($value) && Cell::formula($value) === $formula) {
                return Formula::reranged($formula, $row->id, $this->range(...));
            }
        }

        return $formula;
    }

    /** @return array{?string, ?string, ?string, ?string}|null */
    private function range(Reference $range): ?array
    {
        $rows = $this->stretch($range->row, $range->lastRow, $this->old->rows, $this->new->rows);
        $columns = $this->stretch($range->column, $range->lastColumn, $this->old->columns, $this->new->columns);

        return $rows === null || $columns === null ? null : [$rows[0], $columns[0], $rows[1], $columns[1]];
    }

    /**
     * @param  array<string, list<string>>  $old
     * @param  array<string, list<string>>  $new
     * @return array{?string, ?string}|null null when none of it is left
     */
    private function stretch(?string $from, ?string $to, array $old, array $new): ?array
    {
        if ($from === null || $to === null) {
            return [$from, $to];
        }
        [$start, $end] = [$this->old->of($from), $this->old->of($to)];
        if ($start === null || $end === null || $start[0] !== $end[0]) {
            return [$from, $to];
        }
        [$low, $high] = [min($start[1], $end[1]), max($start[1], $end[1])];
        $uprooted = $this->uprootedBefore[$old[$start[0]][0] ?? ''] ?? null;
        if ($uprooted === null || $uprooted[$low] === $uprooted[$high + 1]) {
            return [$from, $to];
        }
        $key = "{$from} {$to}";
        if (! array_key_exists($key, $this->stretches)) {
            $this->stretches[$key] = $this->covering($old[$start[0]], $new[$start[0]] ?? [], $start[0], $low, $high);
        }

        return $this->stretches[$key];
    }

    /**
     * The stretch that covers the most of a range's members without going over what stayed and is none of them.
     *
     * @param  list<string>  $old
     * @param  list<string>  $new
     * @return array{string, string}|null null when none of them is left
     */
    private function covering(array $old, array $new, string $tab, int $low, int $high): ?array
    {
        $positions = [];
        for ($at = $low; $at <= $high; $at++) {
            $place = $this->new->of($old[$at]);
            if ($place !== null && $place[0] === $tab) {
                $positions[] = $place[1];
            }
        }
        if ($positions === []) {
            return null;
        }
        sort($positions);
        [$rooted, $known] = [$this->rootedBefore[$old[0]], $this->knownBefore[$old[0]]];
        $best = [0, 0, 0];
        for ($first = 0; $first < count($positions); $first = $last + 1) {
            for (
                $last = $first;
                isset($positions[$last + 1]) && $rooted[$positions[$last] + 1] === $rooted[$positions[$last + 1]];
                $last++
            );
            // Of two as large the one that stayed.
            $weight = [$last - $first + 1, $rooted[$positions[$last] + 1] - $rooted[$positions[$first]]];
            if ($weight > [$best[0], $best[1]]) {
                $best = [...$weight, $first];
            }
        }
        [$count, , $first] = $best;
        [$top, $bottom] = [$positions[$first], $positions[$first + $count - 1]];
        $others = $known[$bottom + 1] - $known[$top] - $count;
        if (2 * $count < count($positions) || $others > $count) {
            [$top, $bottom] = [min($low, count($new) - 1), min($high, count($new) - 1)];
        }

        return [$new[$top], $new[$bottom]];
    }
}
