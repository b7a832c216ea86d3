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

    public function under(int $bound): int
    {
        return $this->random->getInt(0, max(0, $bound - 1));
    }

    public function once(int $in): bool
    {
        return $this->under($in) === 0;
    }

    /**
     * @template T
     *
     * @param  list<T>  $list  not empty
     * @return T
     */
    public function of(array $list): mixed
    {
        return $list[$this->under(count($list))];
    }

    public function seed(): int
    {
        return $this->under(1 << 30);
    }
}
