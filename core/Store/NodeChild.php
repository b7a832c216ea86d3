<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

use MistyAttic\Core\Content\Address;

/** What an inner node knows of a node below it. */
final readonly class NodeChild
{
    /**
     * @param  string  $address  raw
     * @param  int  $count  records under it
     * @param  int<0, 255>  $least  the least depth of them
     */
    public function __construct(public string $address, public int $count, public int $least) {}

    /**
     * @return list<self> of an inner node's bytes: `N`, all addresses, all numbers of records (32 bits, big-endian), all least depths (8
     *     bits)
     */
    public static function in(string $node): array
    {
        return array_map(
            fn (string $address, int $count, int $least) => new self($address, $count, $least),
            self::addresses($node),
            self::counts($node),
            self::leasts($node),
        );
    }

    /** @return list<string> the addresses alone of an inner node's bytes */
    public static function addresses(string $node): array
    {
        return str_split(substr($node, 1, self::howMany($node) * Address::BYTES), Address::BYTES);
    }

    /** @return list<int> the numbers of records alone */
    public static function counts(string $node): array
    {
        $count = self::howMany($node);
        /** @var array<int, int> $counts */
        $counts = unpack("N{$count}", $node, 1 + $count * Address::BYTES);

        return array_values($counts);
    }

    /** @return list<int<0, 255>> the least depths alone */
    public static function leasts(string $node): array
    {
        $count = self::howMany($node);
        /** @var array<int, int<0, 255>> $leasts */
        $leasts = unpack("C{$count}", $node, 1 + $count * (Address::BYTES + 4));

        return array_values($leasts);
    }

    private static function howMany(string $node): int
    {
        return intdiv(strlen($node) - 1, Address::BYTES + 5);
    }

    /**
     * The depth that a part's record tells (its third value), at most 255; 0 for any other JSON.
     *
     * @return int<0, 255>
     */
    public static function depth(string $record): int
    {
        return preg_match('/^\["[^"\\\\]*","[^"\\\\]*",(\d+),/', $record, $found) === 1 ? max(0, min(255, (int) $found[1])) : 0;
    }
}
