<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Kinds\Document\DocumentRole;

/**
 * A document as Markdown: CommonMark 0.31, with the tables, task lists and strikethrough of its usual extensions,
 * and `<u>` for underlined text, which Markdown has no sign for. Pictures are references at the end.
 */
final class MarkdownWriter implements Writer
{
    public function mediaType(): string
    {
        return 'text/markdown; charset=utf-8';
    }

    public function write(string $title, PartTree $tree, \Closure $picture): string
    {
        $blocks = [];
        $pictures = [];
        $inList = false;
        $numbers = [];
        foreach ($tree->parts as $part) {
            $role = DocumentRole::from($part->role);
            if ($role === DocumentRole::Row || $role === DocumentRole::Cell) {
                continue;
            }
            if ($role === DocumentRole::ListItem) {
                $numbers = array_slice($numbers, 0, $part->depth + 1);
                $numbers[$part->depth] = $part->string('style') === 'number' ? ($numbers[$part->depth] ?? 0) + 1 : 0;
                $line = str_repeat('    ', $part->depth).$this->bullet($part, $numbers[$part->depth]).str_replace("\n", "\n".str_repeat('    ', $part->depth + 1), $this->inline($part->richText()));
                if ($inList && $blocks !== []) {
                    $blocks[count($blocks) - 1] .= "\n{$line}";
                } else {
                    $blocks[] = $line;
                }
                $inList = true;

                continue;
            }
            $inList = false;
            $numbers = [];
            if ($role === DocumentRole::Picture) {
                $pictures[$part->string('chunk')] ??= 'picture-'.(count($pictures) + 1);
            }
            $blocks[] = $this->block($tree, $part, $role, $pictures);
        }
        foreach ($pictures as $chunk => $name) {
            $blocks[] = "[{$name}]: ".($picture((string) $chunk) ?? '');
        }

        return implode("\n\n", $blocks)."\n";
    }

    /** @param array<string, string> $pictures */
    private function block(PartTree $tree, Part $part, DocumentRole $role, array $pictures): string
    {
        $text = $this->inline($part->richText());

        return match ($role) {
            DocumentRole::Heading => str_repeat('#', $part->int('level')).' '.str_replace("\\\n", ' ', $text),
            DocumentRole::Quote => '> '.str_replace("\n", "\n> ", $text),
            DocumentRole::Code => $this->code($part->richText()->text()),
            DocumentRole::Table => $this->table($tree, $part),
            DocumentRole::Picture => '!['.$this->escape($part->string('alt')).']['.$pictures[$part->string('chunk')].']',
            DocumentRole::Rule => '---',
            default => $text,
        };
    }

    private function bullet(Part $part, int $number): string
    {
        return match ($part->string('style')) {
            'number' => "{$number}. ",
            'task' => ($part->fields['done'] ?? false) === true ? '- [x] ' : '- [ ] ',
            default => '- ',
        };
    }

    private function code(string $code): string
    {
        preg_match_all('/`+/', $code, $ticks);
        $fence = str_repeat('`', max(3, 1 + max([0, ...array_map(strlen(...), $ticks[0])])));

        return "{$fence}\n{$code}\n{$fence}";
    }

    private function table(PartTree $tree, Part $table): string
    {
        $lines = [];
        foreach ($tree->children()[$table->id] ?? [] as $row) {
            $cells = array_map(
                fn (string $id) => str_replace(['|', "\\\n", "\n"], ['\\|', '<br>', '<br>'], $this->inline($tree->get($id)->richText())),
                $tree->children()[$row] ?? [],
            );
            $lines[] = '| '.implode(' | ', $cells).' |';
            if (count($lines) === 1) {
                $lines[] = '|'.str_repeat(' --- |', count($cells));
            }
        }

        return implode("\n", $lines);
    }

    private function inline(RichText $text): string
    {
        return implode('', array_map($this->run(...), $text->runs));
    }

    private function run(Run $run): string
    {
        // A sign of emphasis must stand at a letter: spaces at the ends go outside.
        preg_match('/^(\s*)(.*?)(\s*)$/us', $run->text, $split);
        [, $before, $middle, $after] = $split + ['', '', $run->text, ''];
        if ($middle === '') {
            return $this->escape($run->text);
        }
        $piece = isset($run->marks['code']) ? $this->tickedCode($middle) : str_replace("\n", "\\\n", $this->escape($middle));
        foreach (['bold' => '**', 'italic' => '*', 'strike' => '~~'] as $mark => $sign) {
            $piece = isset($run->marks[$mark]) ? $sign.$piece.$sign : $piece;
        }
        $piece = isset($run->marks['underline']) ? "<u>{$piece}</u>" : $piece;
        $piece = isset($run->marks['link']) ? "[{$piece}](".str_replace(['(', ')'], ['%28', '%29'], (string) $run->marks['link']).')' : $piece;

        return $before.$piece.$after;
    }

    private function tickedCode(string $code): string
    {
        $fence = str_contains($code, '`') ? '``' : '`';

        return $fence === '`' ? "`{$code}`" : "`` {$code} ``";
    }

    private function escape(string $text): string
    {
        $text = (string) preg_replace('/([\\\\`*_\[\]<>~])/', '\\\\$1', $text);

        return (string) preg_replace('/^(\s*)([#+\-]|\d+(?=[.)]))/m', '$1\\\\$2', $text);
    }
}
