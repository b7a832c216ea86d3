<?php

declare(strict_types=1);

namespace Demo;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;
use MistyAttic\Core\Kinds\Formulas\Formula;

/** Carries a story's edits out on a spreadsheet. Ids are counted, so that they are the same every time. */
final class SheetDraft implements Drafting
{
    private int $count = 0;

    public function edit(PartTree $tree, string $line): PartTree
    {
        foreach (explode(' && ', $line) as $edit) {
            if (preg_match('/^([a-z-]+) ([^:]+)(?:: (.*))?$/', $edit, $found) !== 1) {
                throw new \DomainException("“{$edit}” is no edit of a sheet");
            }
            $tree = $this->one($tree, $found[1], trim($found[2]), $found[3] ?? '');
        }

        return $tree;
    }

    private function one(PartTree $tree, string $word, string $name, string $rest): PartTree
    {
        if ($word === 'tab') {
            return $this->tab($tree, $name, $rest);
        }
        $tab = (new CellPlaces($tree))->tabNamed($name) ?? throw new \DomainException("there is no tab “{$name}”");

        return match ($word) {
            'log' => $this->log($tree, $tab, $rest),
            'set' => $this->set($tree, $tab, $rest),
            'empty' => $this->emptied($tree, $tab),
            'remove' => $this->without($tree, $this->row($tree, $tab, $rest)),
            'remove-column' => $this->withoutColumn($tree, $tab, $rest),
            'column' => $this->column($tree, $tab, ...Prose::two($rest, ' after ')),
            'each' => $this->each($tree, $tab, ...Prose::two($rest, ' = ')),
            'sort' => $this->sorted($tree, $tab, $rest),
            'look' => $this->look($tree, $tab, ...Prose::two($rest, ' = ')),
            'wide' => $this->wide($tree, $tab, ...Prose::two($rest, ' = ')),
            'rename' => $this->replace($tree, $tree->get($tab)->with('name', $rest)),
            'move' => $this->move($tree, $tab, ...Prose::two($rest, ' after ')),
            default => throw new \DomainException("no story can “{$word}” in a sheet"),
        };
    }

    private function tab(PartTree $tree, string $name, string $columns): PartTree
    {
        $blank = $tree->parts !== [] && array_filter($tree->parts, fn (Part $part) => $part->role === 'row' && $part->fields !== []) === [];
        $parts = [new Part($this->id('t'), 'tab', 0, ['name' => $name, 'frozen' => 1])];
        $head = [];
        foreach (explode(' | ', $columns) as $heading) {
            $parts[] = $column = new Part($this->id('c'), 'column', 1, ['width' => 0, 'format' => '']);
            $head[$column->id] = ['*', 'b', $heading];
        }

        return PartTree::of([...($blank ? [] : $tree->parts), ...$parts, new Part($this->id('r'), 'row', 1, $head)]);
    }

    /** A row at the end; what the row above works out, this one does as well. */
    private function log(PartTree $tree, string $tab, string $cells): PartTree
    {
        $places = new CellPlaces($tree);
        $above = $tree->get($places->rows[$tab][count($places->rows[$tab]) - 1]);
        $id = $this->id('r');
        $fields = [];
        $values = explode(' | ', $cells);
        $after = PartTree::of($this->behind($tree, $tab, new Part($id, 'row', 1, [])));
        foreach ($places->columns[$tab] as $at => $column) {
            $above_ = $above->fields[$column] ?? null;
            $text = $values[$at] ?? '';
            if ($text === '' && Cell::isFormula($above_)) {
                $fields[$column] = ['=', (string) Cell::formula($above_)];
            } elseif ($text !== '') {
                $fields[$column] = $this->value($text, $id, $after);
            }
        }

        return $this->replace($after, new Part($id, 'row', 1, array_filter($fields, fn (mixed $value) => $value !== null)));
    }

    /** @return list<Part> */
    private function behind(PartTree $tree, string $tab, Part $row): array
    {
        $at = (int) $tree->position($tab) + count($tree->subtree($tab));

        return [...array_slice($tree->parts, 0, $at), $row, ...array_slice($tree->parts, $at)];
    }

    private function set(PartTree $tree, string $tab, string $rest): PartTree
    {
        [$cell, $text] = Prose::two($rest, ' = ');
        [$column, $row] = Prose::two($cell, ' of ');
        $id = $this->columnId($tree, $tab, $column);
        $part = $tree->get($this->row($tree, $tab, $row));
        $value = $this->value($text, $part->id, $tree);
        $look = Cell::look($part->fields[$id] ?? null);

        return $this->replace($tree, $value === null ? $part->without($id) : $part->with($id, Cell::dressed($value, $look) ?? $value));
    }

    private function emptied(PartTree $tree, string $tab): PartTree
    {
        $rows = array_slice((new CellPlaces($tree))->rows[$tab], 1);

        return PartTree::of(
            array_map(fn (Part $part) => in_array($part->id, $rows, true) ? new Part($part->id, 'row', 1, []) : $part, $tree->parts),
        );
    }

    private function column(PartTree $tree, string $tab, string $heading, string $after): PartTree
    {
        $column = new Part($this->id('c'), 'column', 1, ['width' => 0, 'format' => '']);
        $at = (int) $tree->position($this->columnId($tree, $tab, $after)) + 1;
        $head = $tree->get((new CellPlaces($tree))->rows[$tab][0])->with($column->id, ['*', 'b', $heading]);

        return $this->replace(PartTree::of([...array_slice($tree->parts, 0, $at), $column, ...array_slice($tree->parts, $at)]), $head);
    }

    private function each(PartTree $tree, string $tab, string $heading, string $text): PartTree
    {
        $column = $this->columnId($tree, $tab, $heading);
        $places = new CellPlaces($tree);
        foreach (array_slice($places->rows[$tab], 1) as $at => $row) {
            $value = $this->value(str_replace('{row}', (string) ($at + 2), $text), $row, $tree);
            $tree = $value === null ? $tree : $this->replace($tree, $tree->get($row)->with($column, $value));
        }

        return $tree;
    }

    private function sorted(PartTree $tree, string $tab, string $heading): PartTree
    {
        $column = $this->columnId($tree, $tab, $heading);
        $places = new CellPlaces($tree);
        $rows = array_slice($places->rows[$tab], 1);
        usort(
            $rows,
            fn (string $one, string $two) => Cell::result($tree->get($one)->fields[$column] ?? null)
            <=> Cell::result($tree->get($two)->fields[$column] ?? null)
            ?: $places->position($one) <=> $places->position($two),
        );
        $children = $tree->children();
        $children[$tab] = [...array_slice($children[$tab], 0, count($places->columns[$tab]) + 1), ...$rows];

        return PartTree::grow($children, $tree->byId());
    }

    private function look(PartTree $tree, string $tab, string $heading, string $look): PartTree
    {
        return $this->replace($tree, $tree->get($this->columnId($tree, $tab, $heading))->with('format', $look));
    }

    private function wide(PartTree $tree, string $tab, string $heading, string $width): PartTree
    {
        return $this->replace($tree, $tree->get($this->columnId($tree, $tab, $heading))->with('width', (int) $width));
    }

    private function move(PartTree $tree, string $tab, string $row, string $after): PartTree
    {
        [$id, $target] = [$this->row($tree, $tab, $row), $this->row($tree, $tab, $after)];
        $children = $tree->children();
        $others = array_values(array_diff($children[$tab], [$id]));
        array_splice($others, (int) array_search($target, $others, true) + 1, 0, [$id]);
        $children[$tab] = $others;

        return PartTree::grow($children, $tree->byId());
    }

    private function withoutColumn(PartTree $tree, string $tab, string $heading): PartTree
    {
        $column = $this->columnId($tree, $tab, $heading);

        return $this->without(
            PartTree::of(array_map(fn (Part $part) => $part->role === 'row' ? $part->without($column) : $part, $tree->parts)),
            $column,
        );
    }

    private function without(PartTree $tree, string $id): PartTree
    {
        return PartTree::of(array_values(array_filter($tree->parts, fn (Part $part) => $part->id !== $id)));
    }

    private function replace(PartTree $tree, Part $part): PartTree
    {
        return PartTree::of(array_map(fn (Part $each) => $each->id === $part->id ? $part : $each, $tree->parts));
    }

    private function columnId(PartTree $tree, string $tab, string $heading): string
    {
        $places = new CellPlaces($tree);
        $head = $tree->get($places->rows[$tab][0]);
        foreach ($places->columns[$tab] as $column) {
            if (Cell::result($head->fields[$column] ?? null) === $heading) {
                return $column;
            }
        }

        throw new \DomainException("no column is called “{$heading}”");
    }

    /** The first row in which a cell reads so. */
    private function row(PartTree $tree, string $tab, string $named): string
    {
        foreach ((new CellPlaces($tree))->rows[$tab] as $row) {
            foreach ($tree->get($row)->fields as $value) {
                if (Cell::show($value) === $named) {
                    return $row;
                }
            }
        }

        throw new \DomainException("no row has a cell “{$named}”");
    }

    /** @return string|int|float|list<string>|null */
    private function value(string $text, string $row, PartTree $tree): string|int|float|array|null
    {
        return match (true) {
            $text === '', $text === '-' => null,
            $text[0] === '=' => ['=', Formula::keep(substr($text, 1), $row, new CellPlaces($tree))],
            is_numeric($text) => Cell::number($text + 0),
            Cell::isDate($text) => ['d', $text],
            default => $text,
        };
    }

    private function id(string $letter): string
    {
        return sprintf('%s%04d', $letter, ++$this->count);
    }
}
