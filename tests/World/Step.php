<?php

declare(strict_types=1);

namespace Tests\World;

/** One thing that somebody does; what chance decides of it comes from its own seed, so that it can be done without the others. */
final readonly class Step implements \Stringable
{
    /**
     * @param  string  $who  a person's short name
     * @param  int  $window  which of their windows
     * @param  string  $item  which item, by its kind
     */
    public function __construct(public string $who, public int $window, public string $item, public Deed $deed, public int $seed) {}

    /** @throws \UnexpectedValueException */
    public static function read(string $line): self
    {
        if (preg_match('/^(\w+) in window (\d+) of the (\w+): ([\w ,]+?) #(\d+)/', $line, $found) !== 1) {
            throw new \UnexpectedValueException("No step: {$line}");
        }

        return new self($found[1], (int) $found[2], $found[3], Deed::from($found[4]), (int) $found[5]);
    }

    public function __toString(): string
    {
        return "{$this->who} in window {$this->window} of the {$this->item}: {$this->deed->value} #{$this->seed}";
    }
}
