<?php

declare(strict_types=1);

namespace App\Report;

use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Telling\Layout;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Compare\Texts\Span;
use MistyAttic\Core\Compare\Texts\SpanKind;
use MistyAttic\Core\Compare\Texts\TextCompare;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Files\FileComparison;
use MistyAttic\Core\Formats\Lines;

/** A comparison for reading in a terminal: what happened in sentences, then the content with a sign in the margin. */
final class TextReport
{
    private const SAME = ' ';

    private const ADDED = '+';

    private const REMOVED = '−';

    private const EDITED = '≠';

    private const MOVED = '→';

    /** Sentences that are shown; of the rest, how many there are. */
    private const SENTENCES = 20;

    private readonly Words $words;

    private bool $wordByWord = false;

    private readonly PartLine $line;

    /** @param list<string> $sentences */
    public function __construct(private readonly FileComparison $comparison, private readonly array $sentences, private readonly Ink $ink)
    {
        $this->words = new Words;
        $this->line = new PartLine($comparison->kind, $comparison->old, $comparison->new);
    }

    public function all(string $old, string $new, bool $words, bool $changedOnly): string
    {
        $this->wordByWord = $words;
        $text = $this->ink->strong("{$old} → {$new}")."\n".$this->counts()."\n";
        $text .= $this->comparison->exact
            ? ''
            : "Coarse: somewhere there was more to search than the limit, so a shorter telling may exist.\n";
        if ($this->comparison->same) {
            return $text;
        }
        foreach (array_slice($this->sentences, 0, self::SENTENCES) as $sentence) {
            $text .= "• {$sentence}\n";
        }
        $more = count($this->sentences) - self::SENTENCES;
        $text .= $more > 0 ? "• … and {$more} more changes\n" : '';

        return $text."\n".($this->comparison->kind === null ? $this->lines($changedOnly) : $this->parts($changedOnly));
    }

    public function counts(): string
    {
        if ($this->comparison->same) {
            return 'No difference.';
        }
        if ($this->comparison->kind === null || $this->comparison->changes->isEmpty()) {
            [$added, $removed] = $this->comparison->lines?->counts() ?? [0, 0];

            return ($this->comparison->kind === null ? '' : 'The same content, written in another way: ')
                ."{$added} "
                .($added === 1 ? 'line' : 'lines')
                ." added, {$removed} removed.";
        }
        $counts = [];
        foreach (ChangeType::cases() as $type) {
            $count = count($this->comparison->changes->of($type));
            if ($count > 0) {
                $counts[] = "{$count} {$type->value}";
            }
        }
        [$in, $out] = $this->comparison->kind->grid() === null ? $this->wordCounts() : [0, 0];

        return implode(', ', $counts).($in + $out > 0 ? "; {$in} ".($in === 1 ? 'word' : 'words')." in, {$out} out." : '.');
    }

    /** @return array{int, int} */
    private function wordCounts(): array
    {
        return [
            array_sum(array_column($this->comparison->statements, 'added')),
            array_sum(array_column($this->comparison->statements, 'removed')),
        ];
    }

    private function lines(bool $changedOnly): string
    {
        $text = '';
        $at = 0;
        $old = $changedOnly ? [] : Lines::of($this->comparison->oldText);
        foreach ($this->comparison->lines->hunks ?? [] as $hunk) {
            foreach (array_slice($old, $at, $hunk->at - $at) as $line) {
                $text .= $this->row(self::SAME, rtrim($line, "\r\n"));
            }
            $text .= $changedOnly ? $this->ink->faint('line '.($hunk->at + 1))."\n" : '';
            $text .= $this->wordByWord && count($hunk->removed) === count($hunk->added)
                ? implode(
                    '',
                    array_map(
                        fn (string $was, string $is) => $this->row(
                            self::EDITED,
                            $this->marked(RichText::plain(rtrim($was, "\r\n")), RichText::plain(rtrim($is, "\r\n"))),
                        ),
                        array_map(mb_scrub(...), $hunk->removed),
                        array_map(mb_scrub(...), $hunk->added),
                    ),
                )
                : implode(
                    '',
                    array_map(
                        fn (string $line) => $this->row(self::REMOVED, $this->ink->removed(rtrim($line, "\r\n"))),
                        $hunk->removed,
                    ),
                )
                    .implode(
                        '',
                        array_map(fn (string $line) => $this->row(self::ADDED, $this->ink->added(rtrim($line, "\r\n"))), $hunk->added),
                    );
            $at = $hunk->at + count($hunk->removed);
        }
        foreach (array_slice($old, $at) as $line) {
            $text .= $this->row(self::SAME, rtrim($line, "\r\n"));
        }

        return $text;
    }

    private function parts(bool $changedOnly): string
    {
        $text = '';
        $skipped = false;
        $open = array_reverse(Layout::of($this->comparison->old, $this->comparison->new, $this->comparison->changes));
        while ($open !== []) {
            $marked = array_pop($open);
            array_push($open, ...array_reverse($marked->children));
            $same = $marked->state === null && ! $marked->edited && $marked->movedFrom === null;
            if ($same && $changedOnly) {
                $skipped = true;

                continue;
            }
            $shown = $this->part($marked);
            $text .= $skipped && $shown !== '' ? $this->ink->faint("  ⋯\n") : '';
            $skipped = $skipped && $shown === '';
            $text .= $shown;
        }

        return $text;
    }

    private function part(MarkedPart $marked): string
    {
        $line = $this->line->of($marked->part);
        if ($marked->state !== null) {
            return $line === ''
                ? ''
                : ($marked->state === ChangeType::Added
                    ? $this->row(self::ADDED, $this->ink->added($line))
                    : $this->row(self::REMOVED, $this->ink->removed($line)));
        }
        $moved = $marked->movedFrom === null ? '' : $this->ink->faint(' (moved)');
        if (! $marked->edited || $marked->before === null) {
            return $line === '' ? '' : $this->row($moved === '' ? self::SAME : self::MOVED, $line.$moved);
        }
        $old = $marked->before->richText();
        $new = $marked->part->richText();
        if ($old->text() !== $new->text() && $this->wordByWord) {
            return $this->row(self::EDITED, $this->line->before($marked->part).$this->marked($old, $new).$moved);
        }
        if ($old->text() !== $new->text()) {
            return $this->row(self::REMOVED, $this->ink->removed($this->line->of($marked->before)))
                .$this->row(self::ADDED, $this->ink->added($line).$moved);
        }
        if ($this->line->isRow($marked->part)) {
            return $this->row(self::EDITED, $this->line->edited($marked->before, $marked->part, $this->ink).$moved);
        }
        $text = $this->row(self::EDITED, $this->line->name($marked->part).$moved);
        foreach ($this->line->fields($marked->before, $marked->part) as [$name, $was, $is]) {
            $text .= "      {$name}: "
            .($was === '' ? '' : $this->ink->removedWords($was).' ')
            .($is === '' ? '' : $this->ink->addedWords($is))
            ."\n";
        }

        return $text;
    }

    private function marked(RichText $old, RichText $new): string
    {
        return implode('', array_map(fn (Span $span) => match ($span->kind) {
            SpanKind::Added, SpanKind::Came => $this->ink->addedWords($span->text->text()),
            SpanKind::Removed, SpanKind::Went => $this->ink->removedWords($span->text->text()),
            default => $span->text->text(),
        }, TextCompare::of($old, $new, $this->words)->spans()));
    }

    /** Control characters of a file do nothing in the terminal. */
    private function row(string $sign, string ...$texts): string
    {
        $text = implode('', $texts);
        $safe = (string) preg_replace('/(?!\x1b\[[0-9;]*m)[\x00-\x08\x0b-\x1f\x7f]|\x1b(?!\[[0-9;]*m)/', '·', $text);

        return $this->ink->strong($sign).' '.str_replace("\n", "\n  ", $safe)."\n";
    }
}
