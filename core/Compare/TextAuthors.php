<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare;

use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Sequences\Sequences;

/**
 * Who wrote and who removed which words of a text between two states, found by carrying every word through the states in
 * between. Cost: one word comparison a step.
 */
final readonly class TextAuthors
{
    /**
     * @param  array<int, int>  $addedBy  position of a word in the last state => number of the step that wrote it
     * @param  array<int, int>  $removedBy  position of a word in the first state => number of the step that removed it
     */
    private function __construct(public array $addedBy, public array $removedBy) {}

    /** @param non-empty-list<RichText> $states the first is before step 0, the next after step 0, and so on */
    public static function through(array $states, Words $words): self
    {
        $current = $words->cut(array_shift($states)->text());
        // Where each word of the current state comes from: a position in the first state, or ~step for a new one.
        $origin = array_keys($current);
        $removedBy = [];
        foreach ($states as $step => $state) {
            $next = $words->cut($state->text());
            $alignment = Sequences::align($current, $next);
            $nextOrigin = array_fill(0, count($next), ~$step);
            $pairs = $alignment->pairs();
            foreach ($origin as $at => $from) {
                if (isset($pairs[$at])) {
                    $nextOrigin[$pairs[$at]] = $from;
                } elseif ($from >= 0) {
                    $removedBy[$from] = $step;
                }
            }
            [$current, $origin] = [$next, $nextOrigin];
        }
        $addedBy = [];
        foreach ($origin as $at => $from) {
            if ($from < 0) {
                $addedBy[$at] = ~$from;
            }
        }

        return new self($addedBy, $removedBy);
    }
}
