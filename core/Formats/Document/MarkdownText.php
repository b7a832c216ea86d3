<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;

/**
 * A rich text as Markdown that is read as the very same. Signs are escaped where a reader could take them for markup (CommonMark 0.31,
 * 2.4), also the few more of pandoc's commonmark_x. Marks are nested in one order; where a sign of emphasis would not count as one (6.2),
 * the letter beside it is written as an entity. Spaces at the ends of what is emphasised are outside of it.
 */
final class MarkdownText
{
    /** From the outside in. */
    private const MARKS = ['link', 'underline', 'raised', 'lowered', 'strike', 'bold', 'italic', 'code'];

    /** Behind a line break there is no other way to write it, in a heading and a cell. */
    private const BREAK = '<br>';

    /**
     * @var list<array{string, 'text'|'code'|'begin'|'end'}> pieces that are written: texts as they are to be read, code as it is written,
     *     and signs of marks
     */
    private array $pieces = [];

    /** @var array<string, string> the signs that are open, by their marks */
    private array $signs = [];

    /** Whether two dollar signs could be read as a formula. */
    private readonly bool $isMath;

    private function __construct(private readonly string $break, private readonly bool $inTable, RichText $text)
    {
        $this->isMath = substr_count($text->text(), '$') > 1;
    }

    /** @param bool $oneLine in a heading or a cell, where a line break is `<br>` */
    public static function of(RichText $text, bool $oneLine = false, bool $inTable = false): string
    {
        $self = new self($oneLine ? self::BREAK : "\\\n", $inTable, $text);
        $open = [];
        foreach (self::apart($text->runs) as $run) {
            $self->change($open, $run->marks);
            $open = $run->marks;
            $self->pieces[] = isset($run->marks['code']) ? [$self->ticked($run->text), 'code'] : [$run->text, 'text'];
        }
        $self->change($open, []);

        return $self->written();
    }

    /**
     * Spaces and line breaks have the marks of what is on both sides of them, and no others.
     *
     * @param  list<Run>  $runs
     * @return list<Run>
     */
    private static function apart(array $runs): array
    {
        $pieces = [];
        foreach ($runs as $run) {
            $parts = isset($run->marks['code'])
                ? preg_split('/(\n)/', $run->text, -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY)
                : preg_split('/^(\s+)|(\s+)$|(\s*\n\s*)/uD', $run->text, -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY);
            foreach ($parts ?: [] as $part) {
                $pieces[] = new Run($part, $run->marks);
            }
        }
        $apart = [];
        foreach ($pieces as $at => $piece) {
            $isSpace = trim($piece->text) === '' && (! isset($piece->marks['code']) || $piece->text === "\n");
            $marks = $piece->marks;
            if ($isSpace) {
                [$before, $after] = [self::solid($pieces, $at, -1), self::solid($pieces, $at, 1)];
                $marks = array_intersect_key(
                    $before,
                    array_flip(array_diff(array_slice(self::MARKS, 0, self::shared($before, $after)), ['code'])),
                );
            }
            $last = $apart === [] ? null : $apart[count($apart) - 1];
            if ($last !== null && $last->marks === $marks && ! isset($marks['code'])) {
                $apart[count($apart) - 1] = new Run($last->text.$piece->text, $marks);
            } else {
                $apart[] = new Run($piece->text, $marks);
            }
        }

        // Nothing is read of spaces at the ends.
        if ($apart !== []) {
            $last = count($apart) - 1;
            $apart[0] = isset($apart[0]->marks['code']) ? $apart[0] : new Run(ltrim($apart[0]->text), $apart[0]->marks);
            $apart[$last] = isset($apart[$last]->marks['code']) ? $apart[$last] : new Run(rtrim($apart[$last]->text), $apart[$last]->marks);
        }

        return array_values(array_filter($apart, fn (Run $run) => $run->text !== ''));
    }

    /**
     * Marks of the next piece that is no space.
     *
     * @param  list<Run>  $pieces
     * @return array<string, true|string>
     */
    private static function solid(array $pieces, int $at, int $by): array
    {
        for ($at += $by; isset($pieces[$at]) && trim($pieces[$at]->text) === ''; $at += $by);

        return $pieces[$at]->marks ?? [];
    }

    /**
     * Ends and begins marks between two runs.
     *
     * @param  array<string, true|string>  $from
     * @param  array<string, true|string>  $to
     */
    private function change(array $from, array $to): void
    {
        $same = self::shared($from, $to);
        foreach (array_reverse(array_slice(self::MARKS, $same)) as $mark) {
            if (isset($from[$mark]) && $mark !== 'code') {
                $this->pieces[] = [$this->end($mark, $from[$mark]), 'end'];
            }
        }
        foreach (array_slice(self::MARKS, $same) as $mark) {
            if (isset($to[$mark]) && $mark !== 'code') {
                $this->pieces[] = [$this->begin($mark), 'begin'];
            }
        }
    }

    /**
     * How many of the marks, from the outside in, go on from one run to the next.
     *
     * @param  array<string, true|string>  $from
     * @param  array<string, true|string>  $to
     */
    private static function shared(array $from, array $to): int
    {
        for ($same = 0; $same < count(self::MARKS) && ($from[self::MARKS[$same]] ?? null) === ($to[self::MARKS[$same]] ?? null); $same++);

        return $same;
    }

    private function begin(string $mark): string
    {
        // Beside an asterisk a second one would be read with it.
        [$last, $what] = $this->pieces === [] ? ['', 'text'] : $this->pieces[count($this->pieces) - 1];
        $beside = $what !== 'text' && str_ends_with($last, '*');

        return $this->signs[$mark] = match ($mark) {
            'link' => '[',
            'underline' => '<u>',
            'raised' => '<sup>',
            'lowered' => '<sub>',
            'strike' => '~~',
            'bold' => $beside ? '__' : '**',
            default => $beside ? '_' : '*',
        };
    }

    private function end(string $mark, true|string $value): string
    {
        return match ($mark) {
            'link' => ']('.self::address((string) $value).')',
            'underline' => '</u>',
            'raised' => '</sup>',
            'lowered' => '</sub>',
            default => $this->signs[$mark],
        };
    }

    private static function address(string $link): string
    {
        $link = str_replace(['\\', "\n"], ['\\\\', ''], $link);
        $link = (string) preg_replace('/&(?=#|\w+;)/', '\\&', $link);

        return $link === '' || preg_match('/[\s()<>]/', $link) === 1 ? '<'.str_replace(['<', '>'], ['\\<', '\\>'], $link).'>' : $link;
    }

    private function written(): string
    {
        $written = '';
        $atStart = true;
        foreach ($this->pieces as $at => [$piece, $what]) {
            if ($what !== 'text') {
                $written .= $piece;
                $atStart = false;

                continue;
            }
            $text = $this->escaped($piece, $atStart, ($this->pieces[$at + 1][0] ?? '') === '[');
            // A letter at a sign of emphasis is an entity where the sign would not count as one.
            if ($this->hides($at, -1, $piece)) {
                $text = $this->entity(mb_substr($piece, 0, 1)).mb_substr($text, 1);
            }
            if ($this->hides($at, 1, $piece)) {
                $text = mb_strlen($piece) === 1 && str_ends_with($text, ';')
                    ? $text
                    : mb_substr($text, 0, -1).$this->entity(mb_substr($piece, -1));
            }
            if (str_ends_with($piece, '`') && ($this->pieces[$at + 1][1] ?? '') === 'code') {
                // Some readers take a tick behind a backslash together with those of code.
                $text = substr($text, 0, -2).$this->entity('`');
            }
            $written .= $text;
            $atStart = str_ends_with($piece, "\n");
        }

        return $written;
    }

    /** Whether the letter at one end of a text would keep signs beside it from being read: those that end before it, or begin after it. */
    private function hides(int $at, int $side, string $text): bool
    {
        $letter = $side < 0 ? mb_substr($text, 0, 1) : mb_substr($text, -1);
        if (preg_match('/[\s\p{P}\p{S}]/u', $letter) === 1) {
            return false;
        }
        $wanted = $side < 0 ? 'end' : 'begin';
        $signs = [];
        for (
            $next = $at + $side;
            isset($this->pieces[$next]) && in_array($this->pieces[$next][1], ['begin', 'end'], true);
            $next += $side
        ) {
            if ($this->pieces[$next][1] !== $wanted) {
                // They are beside another sign, and not beside this letter.
                return false;
            }
            $signs[] = $this->pieces[$next][0];
        }
        if ($signs === [] || preg_match('/^[*_~]+$/D', $signs[0]) !== 1) {
            return false;
        }
        $far = $this->pieces[$next] ?? ['', 'text'];
        $beyond = $side < 0 ? mb_substr($far[0], -1) : mb_substr($far[0], 0, 1);

        // An underscore in a word is none; others need a letter on their inner side, which is not an entity itself.
        return in_array('_', $signs, true)
            || in_array('__', $signs, true)
            || count($signs) > 1
            || $far[1] === 'code'
            || mb_strlen($far[0]) === 1
            || preg_match('/^[\p{P}\p{S}]/u', $beyond) === 1;
    }

    private function entity(string $letter): string
    {
        return '&#'.mb_ord($letter).';';
    }

    private function escaped(string $text, bool $atStart, bool $beforeLink): string
    {
        $lines = explode("\n", $text);
        foreach ($lines as $at => $line) {
            $line = (string) preg_replace('/([\\\\`*_\[\]<>~^{])|(\$)|&(?=#|[A-Za-z])|:(?=[\w+-]+:)/u', '\\\\$0', $line);
            $line = $this->isMath ? $line : str_replace('\\$', '$', $line);
            $line = $this->inTable ? str_replace('|', '\\|', $line) : $line;
            $lines[$at] = $at > 0 || $atStart ? $this->begun($line) : $line;
        }
        $last = count($lines) - 1;
        $lines[$last] = $beforeLink && str_ends_with($lines[$last], '!') ? substr($lines[$last], 0, -1).'\\!' : $lines[$last];

        return implode($this->break, $lines);
    }

    /** A line that begins as a block would. */
    private function begun(string $line): string
    {
        if (preg_match('/^[ \t]/', $line) === 1) {
            return $this->entity($line[0]).substr($line, 1);
        }
        if (
            preg_match('/^[|:+=-][\s|:+=-]*$/D', $line) === 1
            || preg_match('/^(#{1,6}|[+-]|:{1,3}|~)(\s|$)|^:{3}|^#+$|^\(@/', $line) === 1
        ) {
            return '\\'.$line;
        }

        // Numbers and single letters, or Roman numbers, are those of a list.
        return (string) preg_replace('/^(\(?(?:\d{1,9}|[A-Za-z]|[ivxlcdmIVXLCDM]+|#))([.)])(?=\s|$)/', '$1\\\\$2', $line);
    }

    /** Code in more ticks than are in it. */
    private function ticked(string $code): string
    {
        preg_match_all('/`+/', $code, $ticks);
        $lengths = array_map(strlen(...), $ticks[0]);
        $fence = '`';
        for ($length = 1; in_array($length, $lengths, true); $length++) {
            $fence .= '`';
        }
        $pad = preg_match('/^`|`$|^ .*[^ ].* $/sD', $code) === 1 ? ' ' : '';

        return $fence.$pad.($this->inTable ? str_replace('|', '\\|', $code) : $code).$pad.$fence;
    }
}
