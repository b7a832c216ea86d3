<?php

declare(strict_types=1);

namespace Demo;

/** One person at work on one day. */
final readonly class Scene
{
    /**
     * @param  int  $day  1 is the first day of the story
     * @param  int  $minute  of the day
     * @param  list<array{string, string}>  $lines  what is done, and where it is written
     */
    public function __construct(public int $day, public int $minute, public string $who, public array $lines) {}

    public function and(string $line, string $where): self
    {
        return new self($this->day, $this->minute, $this->who, [...$this->lines, [$line, $where]]);
    }
}
