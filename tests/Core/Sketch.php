<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;

/**
 * Documents as they are written in the cases: one part a line, its id, a sign and its text; two spaces deeper is one deeper.
 * Signs: `#` heading (as many as its level), `-` bullet, `1` numbered, `o` and `x` task open and done, `>` quote, `|` table,
 * `/` row, `=` cell, `---` line across, `*` picture, `.` paragraph. `**bold**` inside.
 */
final class Sketch
{
    public static function read(string $text): PartTree
    {
        $parts = [];
        foreach (explode("\n", $text) as $line) {
            if (preg_match('/^( *)(\w+) (#+|---|[-1ox>|\/=*.])(?: (.*))?$/u', $line, $found) === 1) {
                $parts[] = self::part($found[2], $found[3], max(0, intdiv(strlen($found[1]), 2)), $found[4] ?? '');
            } elseif (trim($line) !== '') {
                throw new \UnexpectedValueException("No part: {$line}");
            }
        }

        return PartTree::of($parts);
    }

    public static function write(PartTree $tree): string
    {
        return implode("\n", array_map(fn (Part $part) => rtrim(str_repeat('  ', $part->depth)."{$part->id} ".self::sign($part).' '.self::plain($part)), $tree->parts));
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

        return new RichText(array_map(fn (string $piece) => str_starts_with($piece, '**') ? new Run(trim($piece, '*'), ['bold' => true]) : new Run($piece), $pieces));
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
