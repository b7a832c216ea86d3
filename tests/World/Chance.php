<?php

declare(strict_types=1);

namespace Tests\World;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Chance from a seed. */
final readonly class Chance
{
    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** @phpstan-impure each time another */
    public function under(int $bound): int
    {
        return $this->random->getInt(0, max(0, $bound - 1));
    }

    /** @phpstan-impure each time another */
    public function once(int $in): bool
    {
        return $this->under($in) === 0;
    }

    /**
     * @template T
     *
     * @param  array<T>  $list  not empty
     * @return T
     *
     * @phpstan-impure each time another
     */
    public function of(array $list): mixed
    {
        return array_values($list)[$this->under(count($list))];
    }

    /** @phpstan-impure each time another */
    public function seed(): int
    {
        return $this->under(1 << 30);
    }
}
