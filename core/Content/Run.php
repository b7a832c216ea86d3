<?php

declare(strict_types=1);

namespace MistyAttic\Core\Content;

/** A stretch of text with one set of marks: mark name => true, or the address for a link. Keys are sorted. */
final readonly class Run
{
    /** @var array<string, true|string> */
    public array $marks;

    /** @param array<string, true|string> $marks */
    public function __construct(public string $text, array $marks = [])
    {
        ksort($marks);
        $this->marks = $marks;
    }

    public function sameMarks(self $other): bool
    {
        return $this->marks === $other->marks;
    }
}
