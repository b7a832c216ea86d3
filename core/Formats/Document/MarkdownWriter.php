<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Writer;
use MistyAttic\Core\Kinds\Document\DocumentRole;
use MistyAttic\Core\Kinds\Numbering;

/**
 * A document as Markdown: CommonMark 0.31, with the tables, task lists and strikethrough of its usual extensions, and `<u>`, `<sup>` and
 * `<sub>` for underlined, raised and lowered text, which Markdown has no sign for. Pictures are references at the end.
 */
final class MarkdownWriter implements Writer
{
    public function mediaType(): string
    {
        return 'text/markdown; charset=utf-8';
    }

    public function write(string $title, PartTree $tree, \Closure $picture): string
    {
        $blocks = $pictures = [];
        $numbers = Numbering::of($tree);
        $list = null;
        foreach ($tree->parts as $part) {
            $role = DocumentRole::from($part->role);
            if ($role === DocumentRole::Row || $role === DocumentRole::Cell) {
                continue;
            }
            if ($role === DocumentRole::ListItem) {
                [$number, $begins] = $numbers[$part->id] ?? [0, false];
                $isFirst = $list === null;
                $list ??= new MarkdownList;
                $depth = $list->depth;
                $line = $list->item($part, $number, $begins);
                if ($isFirst) {
                    $blocks[] = $line;
                } else {
                    // Right below words, no number but 1 begins a list.
                    $blocks[count($blocks) - 1] .= ($begins && $number !== 1 && $part->depth > $depth ? "\n\n" : "\n").$line;
                }

                continue;
            }
            $list = null;
            if ($role === DocumentRole::Picture) {
                $pictures[$part->string('chunk')] ??= 'picture-'.(count($pictures) + 1);
            }
            $blocks[] = $this->block($tree, $part, $role, $pictures);
        }
        foreach ($pictures as $chunk => $name) {
            $blocks[] = "[{$name}]: ".($picture((string) $chunk) ?? '<>');
        }

        return implode("\n\n", $blocks)."\n";
    }

    /** @param array<string, string> $pictures */
    private function block(PartTree $tree, Part $part, DocumentRole $role, array $pictures): string
    {
        return match ($role) {
            DocumentRole::Heading => rtrim(
                str_repeat('#', $part->int('level'))
                    .' '
                    .(string) preg_replace('/#$/', '\\\\#', MarkdownText::of($part->richText(), oneLine: true)),
            ),
            DocumentRole::Quote => '> '.str_replace("\n", "\n> ", MarkdownText::of($part->richText())),
            DocumentRole::Code => $this->code($part->richText()->text()),
            DocumentRole::Table => $this->table($tree, $part),
            DocumentRole::Picture => '!['
                .MarkdownText::of(RichText::plain(str_replace("\n", ' ', $part->string('alt'))))
                .']['
                .$pictures[$part->string('chunk')]
                .']',
            DocumentRole::Rule => '***',
            default => MarkdownText::of($part->richText()),
        };
    }

    private function code(string $code): string
    {
        preg_match_all('/`+/', $code, $ticks);
        $fence = str_repeat('`', max(3, 1 + max([0, ...array_map(strlen(...), $ticks[0])])));

        return $code === '' ? "{$fence}\n{$fence}" : "{$fence}\n{$code}\n{$fence}";
    }

    private function table(PartTree $tree, Part $table): string
    {
        $lines = [];
        foreach ($tree->children()[$table->id] ?? [] as $row) {
            $cells = array_map(
                fn (string $id) => MarkdownText::of($tree->get($id)->richText(), oneLine: true, inTable: true),
                $tree->children()[$row] ?? [],
            );
            $lines[] = '| '.implode(' | ', $cells).' |';
            if (count($lines) === 1) {
                $lines[] = '|'.str_repeat(' --- |', count($cells));
            }
        }

        return implode("\n", $lines);
    }
}
