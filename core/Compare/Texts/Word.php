<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Texts;

use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;

/** One token of a text: a word, a space or a sign, with the marks it has; more than one run if they change within it. */
final readonly class Word
{
    /** @param non-empty-list<Run> $runs */
    public function __construct(public string $text, public array $runs) {}

    /** The text with its marks: equal keys are equal words in every respect. */
    public function key(): string
    {
        $key = $this->text;
        foreach ($this->runs as $run) {
            $key .= $run->marks === [] ? '' : "\0".strlen($run->text).json_encode($run->marks);
        }

        return $key;
    }

    public function sameMarks(self $other): bool
    {
        return $this->key() === $other->key();
    }

    /** Whether it is a word in the reader's sense: has a letter or a digit. */
    public function counts(): bool
    {
        return Words::counts($this->text);
    }

    /** @param iterable<self> $words */
    public static function join(iterable $words): RichText
    {
        $runs = [];
        foreach ($words as $word) {
            array_push($runs, ...$word->runs);
        }

        return new RichText($runs);
    }
}
