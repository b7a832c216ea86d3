<?php

declare(strict_types=1);

namespace MistyAttic\Core\Files;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Grid;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Merge\Conflict;
use MistyAttic\Core\Merge\ConflictType;
use MistyAttic\Core\Merge\Merged;
use MistyAttic\Core\Merge\Settlement;

/**
 * Labels what was held back in the merged content: by a remark behind the block, in a table in the cell, or in the first one of
 * the row or column. Kinds that have neither have no room for a label.
 */
final class HeldBack
{
    /** @var array<string, Part> rows with labels in them */
    private array $rows = [];

    /** @var array<string, list<Part>> by the block at the top that they are behind */
    private array $remarks = [];

    /** @var array<string, Part> parent of rows => the first of them */
    private array $firstRows = [];

    private function __construct(private readonly PartTree $tree, private readonly PartTree $base, private readonly PartTree $mine) {}

    public static function labelled(Kind $kind, Merged $merged, PartTree $base, PartTree $mine): PartTree
    {
        // What one side edited and the other removed is there to be seen.
        $removed = array_values(
            array_filter($merged->conflicts, fn (Conflict $conflict) => $conflict->type === ConflictType::EditedRemoved),
        );
        $self = new self($kind->repair(Settlement::restored($merged->tree, $removed)), $base, $mine);
        $grid = $kind->grid();
        foreach ($merged->conflicts as $at => $conflict) {
            $part = $self->tree->find($conflict->id);
            if ($part !== null && $grid !== null) {
                $self->inTable($grid, $part, $conflict);
            } elseif ($part !== null && ($remark = $kind->remark("held{$at}", $self->said($part, $conflict))) !== null) {
                $self->remarks[$self->block($part->id)][] = $remark;
            }
        }

        return $self->written();
    }

    private function written(): PartTree
    {
        $parts = [];
        $remarks = [];
        foreach ($this->tree->parts as $part) {
            if ($part->depth === 0) {
                array_push($parts, ...$remarks);
                $remarks = $this->remarks[$part->id] ?? [];
            }
            $parts[] = $this->rows[$part->id] ?? $part;
        }

        return PartTree::of([...$parts, ...$remarks]);
    }

    private function block(string $id): string
    {
        while (($parent = $this->tree->parent($id)) !== PartTree::ROOT) {
            $id = $parent;
        }

        return $id;
    }

    private function firstRow(Grid $grid, string $parent): ?Part
    {
        foreach ($this->firstRows === [] ? $this->tree->parts : [] as $part) {
            if ($part->role === $grid->row) {
                $this->firstRows[$this->tree->parent($part->id)] ??= $part;
            }
        }

        return $this->firstRows[$parent] ?? null;
    }

    private function inTable(Grid $grid, Part $part, Conflict $conflict): void
    {
        $part = $this->rows[$part->id] ?? $part;
        if ($part->role === $grid->row && $conflict->field !== null) {
            $show = fn (?Part $side): string => $side === null || ! isset($side->fields[$conflict->field])
                ? 'nothing'
                : Cell::show($side->fields[$conflict->field]);
            $this->rows[$part->id] = $part->with(
                $conflict->field,
                "theirs: {$show($part)} | mine: {$show($conflict->mine[0] ?? null)} | base: {$show($this->base->find($part->id))}",
            );

            return;
        }
        $what = $part->role === $grid->row ? 'row' : ($part->role === $grid->column ? 'column' : 'tab');
        $label = match ($conflict->type) {
            ConflictType::EditedRemoved => "theirs: removed this {$what}",
            ConflictType::RemovedEdited => "mine: removed this {$what}",
            ConflictType::Moved => "mine: moved this {$what} elsewhere",
            default => "mine: {$conflict->field} of this {$what} is {$this->ofMine($conflict)}",
        };
        $row = $part->role === $grid->row
            ? $part
            : $this->firstRow($grid, $part->role === $grid->column ? $this->tree->parent($part->id) : $part->id);
        $row = $this->rows[$row->id ?? ''] ?? $row;
        $column = $part->role === $grid->column ? $part->id : array_key_first($row->fields ?? []);
        if ($row !== null && $column !== null) {
            $this->rows[$row->id] = $row->with(
                $column,
                (isset($row->fields[$column]) ? Cell::show($row->fields[$column]).' | ' : '').$label,
            );
        }
    }

    private function said(Part $part, Conflict $conflict): RichText
    {
        $isText = $conflict->field === 'text' || $conflict->type === ConflictType::Text;
        [$label, $mine] = match ($conflict->type) {
            ConflictType::EditedRemoved => ['Held back: mine edited this, theirs removed it.', ''],
            ConflictType::RemovedEdited => ['Held back: mine removed this, theirs edited it.', ''],
            ConflictType::Moved => ['Held back: mine moved this elsewhere.', ''],
            default => $isText
                ? ['Held back, mine: ', $this->mine->find($part->id)?->richText()->text() ?? '']
                : ['Held back, mine: '.($conflict->field ?? 'role').' '.$this->ofMine($conflict), ''],
        };

        return new RichText([new Run($label, ['bold' => true]), ...($mine === '' ? [] : [new Run($mine)])]);
    }

    private function ofMine(Conflict $conflict): string
    {
        $part = $conflict->mine[0] ?? $this->mine->find($conflict->id);
        $value = $conflict->field === null ? $part?->role : ($part?->fields[$conflict->field] ?? null);

        return match (true) {
            $value === null => 'nothing',
            $value instanceof RichText => $value->text(),
            is_bool($value) => $value ? 'on' : 'off',
            default => implode(', ', array_map(strval(...), (array) $value)),
        };
    }
}
