<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\PartRole;
use MistyAttic\Core\Kinds\SchemaKind;

/**
 * Documents as they are written in the cases: one part a line, its id, a sign and its text; two spaces deeper is one deeper.
 * Signs: `#` heading (as many as its level), `-` bullet, `1` numbered, `o` and `x` task open and done, `>` quote, `|` table,
 * `/` row, `=` cell, `---` line across, `*` picture, `.` paragraph. `**bold**` inside.
 *
 * Of other kinds, a part is its id, its role and its fields, `k1 widget title=Items saved | type=bars`; fields that are not
 * written are empty. A cell is a number, TRUE, a date (2026-05-03), an error (#REF!), a formula (=A1+1 → 3) or a text.
 *
 * @phpstan-import-type FieldValue from Part
 */
final class Sketch
{
    public static function read(string $text, string $kind = 'document'): PartTree
    {
        $known = Kinds::named($kind);
        assert($known instanceof SchemaKind);
        $parts = [];
        foreach (explode("\n", $text) as $line) {
            if ($kind !== 'document' && preg_match('/^( *)(\w+) (\w+)(?: (.*))?$/u', $line, $found) === 1) {
                $role = ($known->roles())::from($found[3]);
                $parts[] = new Part($found[2], $found[3], max(0, intdiv(strlen($found[1]), 2)), self::fields($role, $found[4] ?? ''));

                continue;
            }
            if (preg_match('/^( *)(\w+) (#+|---|[-1ox>|\/=*.])(?: (.*))?$/u', $line, $found) === 1) {
                $parts[] = self::part($found[2], $found[3], max(0, intdiv(strlen($found[1]), 2)), $found[4] ?? '');
            } elseif (trim($line) !== '') {
                throw new \UnexpectedValueException("No part: {$line}");
            }
        }

        return PartTree::of($parts);
    }

    public static function write(PartTree $tree, string $kind = 'document'): string
    {
        if ($kind !== 'document') {
            return implode(
                "\n",
                array_map(function (Part $part): string {
                    $fields = array_filter(array_map(self::value(...), $part->fields), fn (string $shown) => $shown !== '');

                    return rtrim(
                        str_repeat('  ', $part->depth)
                            ."{$part->id} {$part->role} "
                            .implode(' | ', array_map(fn (string $name, string $shown) => "{$name}={$shown}", array_keys($fields), $fields)),
                    );
                }, $tree->parts),
            );
        }

        return implode(
            "\n",
            array_map(
                fn (Part $part) => rtrim(str_repeat('  ', $part->depth)."{$part->id} ".self::sign($part).' '.self::plain($part)),
                $tree->parts,
            ),
        );
    }

    /** @return array<string, FieldValue> */
    private static function fields(PartRole $role, string $text): array
    {
        $written = [];
        foreach ($text === '' ? [] : explode(' | ', $text) as $field) {
            [$name, $value] = explode('=', $field, 2);
            $written[$name] = $value;
        }
        $schema = $role->fields();
        $fields = [];
        foreach ($written + $schema as $name => $unused) {
            $type = explode(':', $schema[$name] ?? 'cell');
            $value = $written[$name] ?? null;
            if ($name === PartRole::CELLS || ($value === null && str_ends_with((string) end($type), '?'))) {
                continue;
            }
            $fields[$name] = match (rtrim($type[0], '?')) {
                'text', 'plain' => self::rich($value ?? ''),
                'bool' => $value === 'TRUE',
                'int' => (int) ($value ?? $type[1]),
                'number' => self::cell($value ?? '0'),
                'words' => $value ?? explode('|', $type[1])[0],
                'list', 'addresses' => $value === null ? [] : explode(', ', $value),
                'cell' => self::cell((string) $value),
                default => (string) $value,
            };
        }

        return $fields;
    }

    /** @return string|int|float|bool|list<string|int|float|bool> */
    private static function cell(string $text): string|int|float|bool|array
    {
        return match (true) {
            preg_match('/^=(.*?)(?: → (.*))?$/u', $text, $found) === 1 => [
                '=',
                $found[1],
                ...isset($found[2]) ? (array) self::cell($found[2]) : [],
            ],
            preg_match('/^\d{4}-\d\d-\d\d$/', $text) === 1 => ['d', $text],
            str_starts_with($text, '#') => ['!', $text],
            is_numeric($text) => Cell::number($text + 0),
            $text === 'TRUE' || $text === 'FALSE' => $text === 'TRUE',
            default => $text,
        };
    }

    private static function value(mixed $value): string
    {
        return match (true) {
            $value instanceof RichText => self::text($value),
            is_bool($value) => $value ? 'TRUE' : '',
            is_array($value) && ($value[0] ?? '') === '=' => "={$value[1]} → ".Cell::show($value),
            is_array($value) && in_array($value[0] ?? '', ['d', '!'], true) => Cell::show($value),
            is_array($value) => implode(', ', $value),
            default => is_scalar($value) ? (string) $value : '',
        };
    }

    /** @param int<0, max> $depth */
    private static function part(string $id, string $sign, int $depth, string $text): Part
    {
        $rich = self::rich($text);
        [$role, $fields] = match (true) {
            $sign[0] === '#' => ['heading', ['level' => strlen($sign), 'text' => $rich]],
            $sign === '---' => ['rule', []],
            $sign === '|' => ['table', []],
            $sign === '/' => ['row', []],
            $sign === '=' => ['cell', ['head' => false, 'text' => $rich]],
            $sign === '>' => ['quote', ['text' => $rich]],
            $sign === '*' => ['picture', ['chunk' => str_repeat('a', 40), 'alt' => $text, 'width' => 1, 'height' => 1]],
            $sign === '.' => ['paragraph', ['text' => $rich]],
            default => ['item', ['style' => match ($sign) {
                '-' => 'bullet', '1' => 'number', default => 'task'
            }, 'done' => $sign === 'x', 'text' => $rich]],
        };

        return new Part($id, $role, $depth, $fields);
    }

    private static function sign(Part $part): string
    {
        return match ($part->role) {
            'heading' => str_repeat('#', $part->int('level')),
            'rule' => '---',
            'table' => '|',
            'row' => '/',
            'cell' => '=',
            'quote' => '>',
            'picture' => '*',
            'item' => match ($part->string('style')) {
                'bullet' => '-', 'number' => '1', default => $part->fields['done'] === true ? 'x' : 'o'
            },
            default => '.',
        };
    }

    private static function rich(string $text): RichText
    {
        $pieces = preg_split('/(\*\*.+?\*\*)/u', $text, -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [];

        return new RichText(
            array_map(
                fn (string $piece) => str_starts_with($piece, '**') ? new Run(trim($piece, '*'), ['bold' => true]) : new Run($piece),
                $pieces,
            ),
        );
    }

    private static function plain(Part $part): string
    {
        return $part->role === 'picture' ? $part->string('alt') : self::text($part->richText());
    }

    public static function text(RichText $text): string
    {
        return implode('', array_map(fn (Run $run) => isset($run->marks['bold']) ? "**{$run->text}**" : $run->text, $text->runs));
    }
}
