<?php

declare(strict_types=1);

namespace MistyAttic\Core\Miniature;

/** Something in a flow of text: how long its words are, and how it is. */
final readonly class Block
{
    /**
     * @param  string|null  $tone  of who changed it
     * @param  list<list<int>>  $cells  of a table: how long the words of each are, row by row
     * @param  array{string, string}|null  $picture  type and bytes of a small copy
     */
    private function __construct(
        public Shape $shape,
        public string $words,
        public int $indent,
        public ?string $tone,
        public array $cells = [],
        public ?array $picture = null,
    ) {}

    public static function text(string $words, ?string $tone, int $indent = 0): self
    {
        return new self(Shape::Text, $words, $indent, $tone);
    }

    public static function heading(string $words, ?string $tone): self
    {
        return new self(Shape::Heading, $words, 0, $tone);
    }

    /** A box, as words are put in or pressed. */
    public static function box(?string $tone, int $indent = 0): self
    {
        return new self(Shape::Box, '', $indent, $tone);
    }

    public static function rule(?string $tone): self
    {
        return new self(Shape::Rule, '', 0, $tone);
    }

    /** @param list<list<int>> $cells */
    public static function table(array $cells, ?string $tone): self
    {
        return new self(Shape::Table, '', 0, $tone, $cells);
    }

    /** @param array{string, string}|null $picture */
    public static function picture(?array $picture, ?string $tone): self
    {
        return new self(Shape::Picture, '', 0, $tone, [], $picture);
    }

    /** How many lines it takes where so many letters are on one. */
    public function lines(int $letters): float
    {
        return match ($this->shape) {
            Shape::Text => (float) min(4, max(1, (int) ceil(mb_strlen($this->words) / max(1, $letters - 3 * $this->indent)))),
            Shape::Heading => 1.8,
            Shape::Box => 1.6,
            Shape::Rule => 0.6,
            Shape::Table => (float) count($this->cells),
            Shape::Picture => 5.0,
        } + 0.7;
    }
}
