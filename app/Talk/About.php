<?php

declare(strict_types=1);

namespace App\Talk;

/** What a thread is to be about. */
final readonly class About
{
    /**
     * @param  string  $part  '' for a version, or all of the item
     * @param  string  $field  the column, of a cell
     * @param  list<string>  $also  further parts, or cells as `row/column`
     * @param  int|null  $version  that it is about
     * @param  array{int, int, string}|null  $words  from, to (code points of the part's text), and what is there as whoever writes sees it
     * @param  Spot|null  $spot  of a picture
     */
    public function __construct(
        public string $part = '',
        public string $field = '',
        public array $also = [],
        public ?int $version = null,
        public ?array $words = null,
        public ?Spot $spot = null,
    ) {}
}
