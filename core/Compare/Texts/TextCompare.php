<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Texts;

use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Sequences\Alignment;
use MistyAttic\Core\Sequences\Sequences;

/**
 * Compares two texts word by word. The exact form is the alignment of the words; the readable form joins crumbs into
 * phrases and tells changes of marks from changes of words.
 */
final class TextCompare
{
    /** A same stretch with at most this many letters between two changes is taken into the change. */
    private const CRUMB = 3;

    /**
     * @param  list<string>  $oldTexts  the tokens of either side
     * @param  list<string>  $newTexts
     */
    private function __construct(
        private readonly RichText $oldText,
        private readonly RichText $newText,
        public readonly array $oldTexts,
        public readonly array $newTexts,
        public readonly Alignment $alignment,
        private readonly Words $words,
    ) {}

    public static function of(RichText $old, RichText $new, Words $words): self
    {
        $oldTexts = $words->cut($old->text());
        $newTexts = $words->cut($new->text());

        return new self($old, $new, $oldTexts, $newTexts, Sequences::align($oldTexts, $newTexts), $words);
    }

    /** @return array{int, int} words added and words removed */
    public function counts(): array
    {
        $added = $removed = 0;
        foreach ($this->alignment->gaps() as [$oldFrom, $oldTo, $newFrom, $newTo]) {
            for ($i = $newFrom; $i < $newTo; $i++) {
                $added += Words::counts($this->newTexts[$i]) ? 1 : 0;
            }
            for ($i = $oldFrom; $i < $oldTo; $i++) {
                $removed += Words::counts($this->oldTexts[$i]) ? 1 : 0;
            }
        }

        return [$added, $removed];
    }

    /**
     * The readable form, split where the steps that are to answer for it differ.
     *
     * @param  array<int, int|null>  $addedBy  position of a new word => step
     * @param  array<int, int|null>  $removedBy  position of an old word => step
     * @param  array<int, true>  $came  positions of new words that stood elsewhere before, see {@see Carried}
     * @param  array<int, true>  $went  positions of old words that are elsewhere now
     * @return list<Span>
     */
    public function spans(array $addedBy = [], array $removedBy = [], ?int $otherwise = null, array $came = [], array $went = []): array
    {
        [$oldWords, $newWords] = [$this->words->of($this->oldText), $this->words->of($this->newText)];
        $groups = [];
        $old = $new = 0;
        foreach (
            [...$this->phrases(), [count($oldWords), count($oldWords), count($newWords), count($newWords)]] as [$oldFrom, $oldTo, $newFrom, $newTo]
        ) {
            for (; $old < $oldFrom; $old++, $new++) {
                $same = $oldWords[$old]->sameMarks($newWords[$new]);
                self::put(
                    $groups,
                    $same ? SpanKind::Same : SpanKind::Formatted,
                    $same ? null : $otherwise,
                    $newWords[$new]->runs,
                    $same ? [] : $oldWords[$old]->runs,
                );
            }
            for (; $old < $oldTo; $old++) {
                self::put(
                    $groups,
                    isset($went[$old]) ? SpanKind::Went : SpanKind::Removed,
                    $removedBy[$old] ?? $otherwise,
                    $oldWords[$old]->runs,
                    [],
                );
            }
            for (; $new < $newTo; $new++) {
                self::put(
                    $groups,
                    isset($came[$new]) ? SpanKind::Came : SpanKind::Added,
                    $addedBy[$new] ?? $otherwise,
                    $newWords[$new]->runs,
                    [],
                );
            }
        }

        return array_map(
            fn (array $group) => new Span($group[0], new RichText($group[2]), $group[3] === [] ? null : new RichText($group[3]), $group[1]),
            $groups,
        );
    }

    /**
     * Neighbours of one kind and step are one span; their runs are gathered before anything is made of them.
     *
     * @param  list<array{SpanKind, int|null, list<Run>, list<Run>}>  $groups
     * @param  list<Run>  $runs
     * @param  list<Run>  $was
     */
    private static function put(array &$groups, SpanKind $kind, ?int $step, array $runs, array $was): void
    {
        $last = array_pop($groups);
        if ($last !== null && ($last[0] !== $kind || $last[1] !== $step)) {
            $groups[] = $last;
            $last = null;
        }
        $last ??= [$kind, $step, [], []];
        array_push($last[2], ...$runs);
        array_push($last[3], ...$was);
        $groups[] = $last;
    }

    /**
     * The gaps of the alignment, joined over crumbs.
     *
     * @return list<array{int, int, int, int}> from and to among the old words and among the new ones
     */
    public function phrases(): array
    {
        $phrases = [];
        foreach ($this->alignment->gaps() as $gap) {
            $last = array_key_last($phrases);
            if ($last !== null && $this->isCrumb($phrases[$last][1], $gap[0]) && $this->bothWays($phrases[$last], $gap)) {
                $phrases[$last][1] = $gap[1];
                $phrases[$last][3] = $gap[3];
            } else {
                $phrases[] = $gap;
            }
        }

        return $phrases;
    }

    private function isCrumb(int $from, int $to): bool
    {
        $text = '';
        for ($i = $from; $i < $to; $i++) {
            $text .= $this->oldTexts[$i];
        }

        return ! str_contains($text, "\n") && mb_strlen((string) preg_replace('/[^\p{L}\p{N}]+/u', '', $text)) <= self::CRUMB;
    }

    /**
     * Joining pays only where words went and came: two plain insertions with “and” between them stay two.
     *
     * @param  array{int, int, int, int}  $one
     * @param  array{int, int, int, int}  $two
     */
    private function bothWays(array $one, array $two): bool
    {
        return $one[1] + $two[1] > $one[0] + $two[0] && $one[3] + $two[3] > $one[2] + $two[2];
    }
}
