<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Texts;

use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Content\RichText;

/** Words that one step took from one text to another, or to another place of the same one. Positions are in the tokens of {@see Words}. */
final readonly class Carried
{
    /**
     * @param  string  $part  where they came
     * @param  int  $at  their position in its text after the step
     * @param  string  $from  where they went
     * @param  int  $fromAt  their position in its text before
     */
    public function __construct(public string $part, public int $at, public int $length, public string $from, public int $fromAt) {}

    /**
     * The stretches of it that are left without some words.
     *
     * @param  array<int, true>  $known  by their position in the text where they came
     * @return list<self>
     */
    public function without(array $known): array
    {
        $left = [];
        for ($at = 0; $at < $this->length; $at += $length) {
            $length = 1;
            if (isset($known[$this->at + $at])) {
                continue;
            }
            while ($at + $length < $this->length && ! isset($known[$this->at + $at + $length])) {
                $length++;
            }
            $left[] = new self($this->part, $this->at + $at, $length, $this->from, $this->fromAt + $at);
        }

        return $left;
    }

    /**
     * The same words where others wrote in the text meanwhile that they came into.
     *
     * @param  list<string>  $before  the words of that text, as these are in it
     * @param  list<string>  $after  and with what others wrote
     * @return self|null null where they are not there just once
     */
    public function within(array $before, array $after): ?self
    {
        $own = array_slice($before, $this->at, $this->length);
        $found = array_values(
            array_filter(array_keys($after, $own[0] ?? null, true), fn (int $at): bool => array_slice($after, $at, $this->length) === $own),
        );

        return count($found) === 1 ? new self($this->part, $found[0], $this->length, $this->from, $this->fromAt) : null;
    }

    /**
     * All words that a set of changes carried: a paragraph that was split or joined, a sentence that was cut and pasted.
     *
     * @return list<self>
     */
    public static function in(ChangeSet $changes, Words $words): array
    {
        $texts = [];
        $came = $went = false;
        foreach ($changes->changes as $change) {
            if ($change->type === ChangeType::Moved) {
                continue;
            }
            $before = $change->before?->richText();
            $after = $change->after?->richText();
            if (($before === null || $before->isEmpty()) && ($after === null || $after->isEmpty())) {
                continue;
            }
            if ($before !== null && $after !== null && $before->text() === $after->text()) {
                continue;
            }
            $texts[$change->id] = [$before, $after];
            $came = $came || ($after !== null && ! $after->isEmpty());
            $went = $went || ($before !== null && ! $before->isEmpty());
        }

        return $came && $went ? self::between($texts, $words) : [];
    }

    /**
     * @param  array<string, array{RichText|null, RichText|null}>  $texts  part => before and after
     * @return list<self>
     */
    private static function between(array $texts, Words $words): array
    {
        $come = $gone = $comePlaces = $gonePlaces = $wholeCome = $wholeGone = [];
        foreach ($texts as $id => [$before, $after]) {
            if ($before === null || $after === null || $before->isEmpty() || $after->isEmpty()) {
                $tokens = $words->cut(($before === null || $before->isEmpty() ? $after : $before)?->text() ?? '');
                if ($before === null || $before->isEmpty()) {
                    $wholeCome[count($come)] = true;
                    [$come[], $comePlaces[]] = [$tokens, [(string) $id, 0]];
                } else {
                    $wholeGone[count($gone)] = true;
                    [$gone[], $gonePlaces[]] = [$tokens, [(string) $id, 0]];
                }

                continue;
            }
            $compare = TextCompare::of($before, $after, $words);
            foreach (CommonStretches::gaps($compare->alignment, $compare->oldTexts) as [$oldFrom, $oldTo, $newFrom, $newTo]) {
                if ($newTo > $newFrom) {
                    [$come[], $comePlaces[]] = [array_slice($compare->newTexts, $newFrom, $newTo - $newFrom), [(string) $id, $newFrom]];
                }
                if ($oldTo > $oldFrom) {
                    [$gone[], $gonePlaces[]] = [array_slice($compare->oldTexts, $oldFrom, $oldTo - $oldFrom), [(string) $id, $oldFrom]];
                }
            }
        }

        return array_map(fn (array $common) => new self(
            $comePlaces[$common[0]][0],
            $comePlaces[$common[0]][1] + $common[1],
            $common[4],
            $gonePlaces[$common[2]][0],
            $gonePlaces[$common[2]][1] + $common[3],
        ), CommonStretches::of($come, $gone, $wholeCome, $wholeGone));
    }
}
