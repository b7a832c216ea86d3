<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use MistyAttic\Core\Content\Part;

/** Items of lists that follow each other, with their signs and how far they are indented (CommonMark 0.31, 5.2 and 5.3). */
final class MarkdownList
{
    /** That of the last item. */
    public int $depth = -1;

    /** @var array<int, string> by depth */
    private array $indents = [];

    /** @var array<int, array{string, string}> by depth: the style, and its sign */
    private array $styles = [];

    /** @param bool $begins whether its number does not follow the one before */
    public function item(Part $part, int $number, bool $begins): string
    {
        $style = $part->string('style');
        $this->depth = $part->depth;
        $this->styles = array_slice($this->styles, 0, $part->depth + 1);
        $signs = $style === 'number' ? ['.', ')'] : ['-', '*'];
        [$had, $sign] = $this->styles[$part->depth] ?? [$style, $signs[0]];
        // Another sign begins another list: all of one list are tasks, or none, and their numbers follow each other.
        $other = isset($this->styles[$part->depth]) && ($had !== $style || $begins);
        $sign = $other || ! in_array($sign, $signs, true) ? $signs[(int) ($sign === $signs[0])] : $sign;
        $this->styles[$part->depth] = [$style, $sign];
        $bullet = match ($style) {
            'number' => "{$number}{$sign} ",
            'task' => ($part->fields['done'] ?? false) === true ? "{$sign} [x] " : "{$sign} [ ] ",
            default => "{$sign} ",
        };
        // What is in an item is indented as far as its text.
        $indent = $part->depth === 0 ? '' : $this->indents[$part->depth - 1] ?? '';
        $this->indents[$part->depth] = $indent.str_repeat(' ', $style === 'number' ? strlen($bullet) : 2);

        return rtrim($indent.$bullet.str_replace("\n", "\n{$this->indents[$part->depth]}", MarkdownText::of($part->richText())), ' ');
    }
}
