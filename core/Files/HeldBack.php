<?php

declare(strict_types=1);

namespace MistyAttic\Core\Files;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Document\DocumentKind;
use MistyAttic\Core\Kinds\Document\DocumentRole;
use MistyAttic\Core\Kinds\Grid;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Merge\Choice;
use MistyAttic\Core\Merge\Conflict;
use MistyAttic\Core\Merge\ConflictType;
use MistyAttic\Core\Merge\Merged;
use MistyAttic\Core\Merge\Settlement;

/**
 * Labels what was held back in the merged content: in a document by a quotation behind the block, in a table in the cell, or in
 * the first one of the row or column. The parts of other kinds have no room for a label.
 */
final readonly class HeldBack
{
    private function __construct(private PartTree $base, private PartTree $mine) {}

    public static function labelled(Kind $kind, Merged $merged, PartTree $base, PartTree $mine): PartTree
    {
        $self = new self($base, $mine);
        $tree = $kind->repair($merged->tree);
        foreach ($merged->conflicts as $at => $conflict) {
            // What one side edited and the other removed is there to be seen.
            $tree = $conflict->type === ConflictType::EditedRemoved ? $kind->repair(Settlement::of($tree, $conflict, Choice::Mine)) : $tree;
            $part = $tree->find($conflict->id);
            $grid = $kind->grid();
            if ($part !== null && $grid !== null) {
                $tree = $self->inTable($tree, $grid, $part, $conflict);
            } elseif ($part !== null && $kind instanceof DocumentKind) {
                $text = $self->inDocument($part, $conflict);
                $tree = self::behind($tree, $part, new Part("held{$at}", DocumentRole::Quote->value, 0, ['text' => $text]));
            }
        }

        return $tree;
    }

    private function inTable(PartTree $tree, Grid $grid, Part $part, Conflict $conflict): PartTree
    {
        if ($part->role === $grid->row && $conflict->field !== null) {
            $show = fn (?Part $side): string => $side === null || ! isset($side->fields[$conflict->field]) ? 'nothing' : Cell::show($side->fields[$conflict->field]);
            $label = "theirs: {$show($part)} | mine: {$show($conflict->mine[0] ?? null)} | base: {$show($this->base->find($part->id))}";

            return self::replaced($tree, $part->with($conflict->field, $label));
        }
        $what = $part->role === $grid->row ? 'row' : ($part->role === $grid->column ? 'column' : 'tab');
        $label = match ($conflict->type) {
            ConflictType::EditedRemoved => "theirs: removed this {$what}",
            ConflictType::RemovedEdited => "mine: removed this {$what}",
            ConflictType::Moved => "mine: moved this {$what} elsewhere",
            default => "mine: {$conflict->field} of this {$what} is {$this->ofMine($conflict)}",
        };
        $row = $part->role === $grid->row ? $part : null;
        for ($at = (int) $tree->position($part->id) + 1; $row === null && isset($tree->parts[$at]) && $tree->parts[$at]->depth > 0; $at++) {
            $row = $tree->parts[$at]->role === $grid->row ? $tree->parts[$at] : null;
        }
        $column = $part->role === $grid->column ? $part->id : array_key_first($row->fields ?? []);
        if ($row === null || $column === null) {
            return $tree;
        }
        $shown = isset($row->fields[$column]) ? Cell::show($row->fields[$column]).' | ' : '';

        return self::replaced($tree, $row->with($column, $shown.$label));
    }

    private function inDocument(Part $part, Conflict $conflict): RichText
    {
        $isText = $part->richText()->text() !== '' && ($conflict->field === 'text' || $conflict->type === ConflictType::Text);
        $label = match (true) {
            $conflict->type === ConflictType::EditedRemoved => 'Held back: mine edited this, theirs removed it.',
            $conflict->type === ConflictType::RemovedEdited => 'Held back: mine removed this, theirs edited it.',
            $conflict->type === ConflictType::Moved => 'Held back: mine moved this elsewhere.',
            $isText => 'Held back, mine: ',
            default => 'Held back, mine: '.($conflict->field ?? 'role').' '.$this->ofMine($conflict),
        };

        return new RichText([new Run($label, ['bold' => true]), ...($isText && str_ends_with($label, ': ') ? [new Run($this->mine->find($part->id)?->richText()->text() ?? '')] : [])]);
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

    private static function replaced(PartTree $tree, Part $part): PartTree
    {
        return $tree->replaced(array_map(fn (Part $each) => $each->id === $part->id ? $part : $each, $tree->parts));
    }

    /** Behind the block at the top that a part is in. */
    private static function behind(PartTree $tree, Part $part, Part $new): PartTree
    {
        $at = ($tree->position($part->id) ?? 0) + 1;
        while (isset($tree->parts[$at]) && $tree->parts[$at]->depth > 0) {
            $at++;
        }
        $parts = $tree->parts;
        array_splice($parts, $at, 0, [$new]);

        return PartTree::of($parts);
    }
}
