<?php

declare(strict_types=1);

namespace App\Report;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Kind;

/** One part as one line of plain text. */
final class PartLine
{
    /** @var array<string, array<string, string>> parent => columns of both sides, in order */
    private array $columns = [];

    public function __construct(private readonly ?Kind $kind, private readonly PartTree $old, private readonly PartTree $new)
    {
        $grid = $kind?->grid();
        if ($grid === null) {
            return;
        }
        foreach ([$new, $old] as $side) {
            foreach ($side->parts as $part) {
                $parent = $side->parent($part->id);
                if ($part->role === $grid->column) {
                    $this->columns[$parent][$part->id] = $part->id;
                }
            }
        }
    }

    public function isRow(Part $part): bool
    {
        return $part->role === $this->kind?->grid()?->row;
    }

    public function of(Part $part): string
    {
        if ($this->isRow($part)) {
            return implode(' | ', array_map(fn (string $column) => self::shown($part->fields[$column] ?? null), $this->columnsOf($part)));
        }
        if ($this->kind === null || $part->role === $this->kind->grid()?->column) {
            return '';
        }
        $text = $part->richText()->text();
        $name = match (true) {
            $text !== '' => $text,
            // A picture is called by what it shows.
            isset($part->fields['alt']) => self::shown($part->fields['alt']),
            $part->fields === [] => '',
            default => $this->kind->label($this->new->has($part->id) ? $this->new : $this->old, $part),
        };
        if ($name === '' && $part->fields !== [] && $part->depth === 0 && ! isset($part->fields['text']) && ! isset($part->fields['alt'])) {
            return '';
        }
        $value = isset($part->fields['value']) ? ': '.self::shown($part->fields['value']) : '';

        return rtrim($this->before($part).$name.$value);
    }

    /** What is before the text of a part. */
    public function before(Part $part): string
    {
        $indent = str_repeat('  ', $part->depth);

        return $indent.match ($part->role) {
            'heading' => str_repeat('#', max(1, $part->int('level'))).' ',
            'item' => match ($part->string('style')) {
                'number' => '1. ',
                'task' => ($part->fields['done'] ?? false) === true ? '[x] ' : '[ ] ',
                default => '• ',
            },
            'quote' => '> ',
            'paragraph', 'code', 'cell', 'line', 'value' => '',
            default => str_replace('_', ' ', $part->role).' ',
        };
    }

    /** A row with each edited cell as old and new. */
    public function edited(Part $before, Part $after, Ink $ink): string
    {
        return implode(' | ', array_map(function (string $column) use ($before, $after, $ink): string {
            [$was, $is] = [self::shown($before->fields[$column] ?? null), self::shown($after->fields[$column] ?? null)];
            if (Part::same($before->fields[$column] ?? null, $after->fields[$column] ?? null)) {
                return $is;
            }

            return trim(($was === '' ? '' : $ink->removedWords($was)).' '.($is === '' ? '' : $ink->addedWords($is)));
        }, $this->columnsOf($after)));
    }

    /** A part without its value, which is told as old and new. */
    public function name(Part $part): string
    {
        return $this->of($part->without('value'));
    }

    /** @return list<array{string, string, string}> name, old and new value of the fields that differ */
    public function fields(Part $before, Part $after): array
    {
        return array_map(
            fn (string $name) => [
                str_replace('_', ' ', $name),
                self::shown($before->fields[$name] ?? null),
                self::shown($after->fields[$name] ?? null),
            ],
            $before->differing($after),
        );
    }

    public static function shown(mixed $value): string
    {
        return match (true) {
            $value instanceof RichText => $value->text(),
            Cell::isFormula($value) => '='.Cell::formula($value).(Cell::result($value) === null ? '' : ' → '.Cell::show($value)),
            is_array($value) && ! in_array($value[0] ?? '', ['d', '!'], true) => implode(', ', array_map(strval(...), $value)),
            default => Cell::show($value),
        };
    }

    /** @return list<string> */
    public function columnsOf(Part $row): array
    {
        return array_values($this->columns[$this->new->has($row->id) ? $this->new->parent($row->id) : $this->old->parent($row->id)] ?? []);
    }
}
