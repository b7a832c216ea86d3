<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Spreadsheet\Formula;
use MistyAttic\Core\Kinds\Spreadsheet\Places;
use MistyAttic\Core\Kinds\Spreadsheet\Reference;
use MistyAttic\Core\Kinds\Spreadsheet\Spelling;
use MistyAttic\Core\Sequences\Increasing;

/**
 * Lets ranges follow when the row or column at one of their ends goes or moves. A range becomes the stretch around those of
 * its members that stayed where they were, with the members right beside it: so a table sorted within a range keeps it, a
 * row that is carried off leaves it, and one whose ends are removed shrinks.
 */
final class Following
{
    private readonly Places $old;

    private readonly Places $new;

    /** @var array<string, true> rows and columns that are gone, or moved among their siblings */
    private array $uprooted = [];

    private function __construct(private readonly PartTree $before, PartTree $after)
    {
        $this->old = new Places($before);
        $this->new = new Places($after);
        foreach ([[$this->old->rows, $this->new->rows], [$this->old->columns, $this->new->columns]] as [$old, $new]) {
            foreach ($old as $tab => $ids) {
                if ($ids !== ($new[$tab] ?? [])) {
                    $this->uproot($ids, (string) $tab);
                }
            }
        }
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
        if ($from === null || $to === null || (! isset($this->uprooted[$from]) && ! isset($this->uprooted[$to]))) {
            return [$from, $to];
        }
        [$start, $end] = [$this->old->of($from), $this->old->of($to)];
        if ($start === null || $end === null || $start[0] !== $end[0]) {
            return [$from, $to];
        }
        $list = $new[$start[0]] ?? [];
        $low = min($start[1], $end[1]);
        $members = array_slice($old[$start[0]], $low, abs($start[1] - $end[1]) + 1);
        $positions = $rooted = [];
        foreach ($members as $id) {
            $place = $this->new->of($id);
            if ($place !== null && $place[0] === $start[0]) {
                $positions[$place[1]] = true;
                if (! isset($this->uprooted[$id])) {
                    $rooted[] = $place[1];
                }
            }
        }
        $around = $rooted === [] ? array_keys($positions) : $rooted;
        if ($around === []) {
            return null;
        }
        for ($top = min($around); isset($positions[$top - 1]); $top--);
        for ($bottom = max($around); isset($positions[$bottom + 1]); $bottom++);

        return [$list[$top], $list[$bottom]];
    }
}
