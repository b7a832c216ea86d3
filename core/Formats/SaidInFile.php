<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

/** What a file holds of what was said: a comment, with what others answered. */
final readonly class SaidInFile
{
    /** Comments that are taken from a file, answers among them. */
    public const MOST = 2_000;

    /**
     * @param  string  $by  a name, with an address in angle brackets where the file has one
     * @param  string  $quote  the words that it is about; '' when it is about a place
     * @param  array{int, int, int}|null  $cell  tab, row and column that it is about, from 0
     * @param  string  $part  that it is about, where a file has ids; '' where it has none
     * @param  string  $field  the column, of a cell
     * @param  string  $at  when, ISO 8601 in UTC; '' where a file does not say
     * @param  list<self>  $answers
     */
    public function __construct(
        public string $by,
        public string $text,
        public string $quote = '',
        public ?array $cell = null,
        public string $part = '',
        public string $field = '',
        public string $at = '',
        public array $answers = [],
        public bool $isSettled = false,
    ) {}

    /**
     * The same under another name, with another text, or about another cell.
     *
     * @param  array{int, int, int}|null  $cell
     */
    public function with(?string $by = null, ?string $text = null, ?array $cell = null): self
    {
        return new self(
            $by ?? $this->by,
            $text ?? $this->text,
            $this->quote,
            $cell ?? $this->cell,
            $this->part,
            $this->field,
            $this->at,
            $this->answers,
            $this->isSettled,
        );
    }
}
