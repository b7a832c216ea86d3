<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Texts;

use MistyAttic\Core\Content\RichText;

/**
 * Who wrote and who removed which words of a text between two states, found by carrying every word through the states in
 * between. Words that went and come again, or are elsewhere in the text, are the same words still. Cost: one word comparison a step.
 */
final readonly class TextAuthors
{
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
        $carrying = new WordsCarried($words->cut(array_shift($states)->text()));
        $known = [];
        foreach ($states as $step => $state) {
            $carrying->step($step, $words->cut($state->text()), isset($restored[$step]) ? $known[$restored[$step]] ?? null : null);
            $known[$step] = $restored === [] ? null : [$carrying->current, $carrying->origin];
        }
        $addedBy = $addedAt = [];
        foreach ($carrying->origin as $at => $from) {
            if ($from < 0) {
                [$addedBy[$at], $addedAt[$at]] = $carrying->new[~$from];
            }
        }

        return new self($addedBy, $carrying->removedBy, $addedAt);
    }
}
