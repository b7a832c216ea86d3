<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Texts;

use MistyAttic\Core\Content\RichText;

/** The places where two texts differ, each of which can be taken by itself: words that went or came, or look otherwise. */
final readonly class Stretches
{
    /**
     * @param  list<Word>  $old
     * @param  list<Word>  $new
     * @param  list<array{int, int, int, int}>  $places  from and to among the old words and among the new ones, ascending
     */
    private function __construct(private array $old, private array $new, public array $places) {}

    public static function of(RichText $old, RichText $new, Words $words): self
    {
        $compare = TextCompare::of($old, $new, $words);
        [$was, $is] = [$words->of($old), $words->of($new)];
        $places = [];
        [$oldAt, $newAt] = [0, 0];
        // Where the last place is of marks alone, the next old word that goes on with it.
        $looks = -1;
        foreach ([...$compare->phrases(), [count($was), count($was), count($is), count($is)]] as $phrase) {
            // Between two phrases the words are the same, and may have other marks.
            for (; $oldAt < $phrase[0]; $oldAt++, $newAt++) {
                if ($was[$oldAt]->sameMarks($is[$newAt])) {
                    continue;
                }
                [$oldFrom, , $newFrom] = $looks === $oldAt ? array_pop($places) ?? [$oldAt, 0, $newAt] : [$oldAt, 0, $newAt];
                $places[] = [$oldFrom, $oldAt + 1, $newFrom, $newAt + 1];
                $looks = $oldAt + 1;
            }
            if ($phrase[0] < $phrase[1] || $phrase[2] < $phrase[3]) {
                $places[] = $phrase;
                $looks = -1;
            }
            [$oldAt, $newAt] = [$phrase[1], $phrase[3]];
        }

        return new self($was, $is, $places);
    }

    /** @return array{RichText, RichText} what goes and what comes in one place */
    public function at(int $place): array
    {
        [$oldFrom, $oldTo, $newFrom, $newTo] = $this->places[$place];

        return [
            Word::join(array_slice($this->old, $oldFrom, $oldTo - $oldFrom)),
            Word::join(array_slice($this->new, $newFrom, $newTo - $newFrom)),
        ];
    }

    /**
     * The text with some of the places as they are in the later one, and all else as it was.
     *
     * @param  list<int>  $which
     */
    public function taken(array $which): RichText
    {
        $words = [];
        $at = 0;
        foreach ($this->places as $place => [$oldFrom, $oldTo, $newFrom, $newTo]) {
            array_push($words, ...array_slice($this->old, $at, $oldFrom - $at));
            array_push(
                $words,
                ...in_array($place, $which, true)
                    ? array_slice($this->new, $newFrom, $newTo - $newFrom)
                    : array_slice($this->old, $oldFrom, $oldTo - $oldFrom),
            );
            $at = $oldTo;
        }

        return Word::join([...$words, ...array_slice($this->old, $at)]);
    }

    /**
     * The same text with all but some of the places taken.
     *
     * @param  list<int>  $which
     */
    public function left(array $which): RichText
    {
        return $this->taken(array_values(array_diff(array_keys($this->places), $which)));
    }
}
