<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Texts;

use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Sequences\Sequences;

/**
 * Who wrote and who removed which words of a text between two states, found by carrying every word through the states in
 * between. Words that went and come again, or stand elsewhere in the text, are the same words still. Cost: one word comparison a step.
 */
final readonly class TextAuthors
{
    /** Stretches that went and may come again. */
    private const MOST_GONE = 200;

    /**
     * @param  array<int, int>  $addedBy  ascending: position of a word in the last state => number of the step that wrote it
     * @param  array<int, int>  $removedBy  position of a word in the first state => number of the step that removed it
     * @param  array<int, int>  $addedAt  position of a word in the last state => its position in the state after the step that wrote it
     */
    private function __construct(public array $addedBy, public array $removedBy, public array $addedAt) {}

    /**
     * @param  non-empty-list<RichText>  $states  the first is before step 0, the next after step 0, and so on
     * @param  array<int, int>  $restored  step => the earlier step whose state it brought back: its words are whose they were then
     */
    public static function through(array $states, Words $words, array $restored = []): self
    {
        $current = $words->cut(array_shift($states)->text());
        // Where each word of the current state comes from: a position in the first state, or ~n for the n-th new one.
        $origin = array_keys($current);
        $new = $removedBy = $goneTokens = $goneOrigins = $known = [];
        foreach ($states as $step => $state) {
            $next = $words->cut($state->text());
            $back = isset($restored[$step]) ? $known[$restored[$step]] ?? null : null;
            $alignment = Sequences::align($current, $next);
            $pairs = $alignment->pairs();
            $nextOrigin = [];
            foreach ($pairs as $at => $to) {
                $nextOrigin[$to] = $origin[$at];
            }
            $come = $starts = [];
            foreach (array_diff_key($origin, $pairs) as $from) {
                if ($from >= 0) {
                    $removedBy[$from] = $step;
                }
            }
            foreach (CommonStretches::gaps($alignment, $current) as [$oldFrom, $oldTo, $newFrom, $newTo]) {
                if ($oldTo > $oldFrom) {
                    $goneTokens[] = array_slice($current, $oldFrom, $oldTo - $oldFrom);
                    $goneOrigins[] = array_slice($origin, $oldFrom, $oldTo - $oldFrom);
                }
                if ($newTo > $newFrom) {
                    [$come[], $starts[]] = [array_slice($next, $newFrom, $newTo - $newFrom), $newFrom];
                }
            }
            $goneTokens = array_slice($goneTokens, -self::MOST_GONE);
            $goneOrigins = array_slice($goneOrigins, -self::MOST_GONE);
            foreach (CommonStretches::of($come, $goneTokens) as [$stretch, $at, $from, $fromAt, $length]) {
                for ($i = 0; $i < $length; $i++) {
                    $nextOrigin[$starts[$stretch] + $at + $i] = $goneOrigins[$from][$fromAt + $i];
                }
            }
            foreach ($next as $at => $unused) {
                if (! isset($nextOrigin[$at])) {
                    $nextOrigin[$at] = ~count($new);
                    $new[] = [$step, $at];
                }
            }
            ksort($nextOrigin);
            [$current, $origin] = [$next, $back !== null && $back[0] === $next ? $back[1] : array_values($nextOrigin)];
            $known[$step] = $restored === [] ? null : [$current, $origin];
        }
        $addedBy = $addedAt = [];
        foreach ($origin as $at => $from) {
            if ($from < 0) {
                [$addedBy[$at], $addedAt[$at]] = $new[~$from];
            }
        }

        return new self($addedBy, $removedBy, $addedAt);
    }
}
