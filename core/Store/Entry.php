<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

use MistyAttic\Core\Content\Address;

/** What an inner node knows of a node below it. */
final readonly class Entry
{
    /** Address, number of records (32 bits, big-endian), least depth. */
    public const BYTES = Address::BYTES + 5;

    /**
     * @param  string  $address  raw
     * @param  int  $count  records under it
     * @param  int<0, 255>  $least  the least depth of them
     */
    public function __construct(public string $address, public int $count, public int $least) {}

    public function bytes(): string
    {
        return $this->address.pack('NC', $this->count, $this->least);
    }

    /** @return list<self> of an inner node's bytes */
    public static function in(string $node): array
    {
        $entries = [];
        for ($at = 1, $end = strlen($node); $at < $end; $at += self::BYTES) {
            /** @var array{count: int, least: int<0, 255>} $numbers */
            $numbers = unpack('Ncount/Cleast', $node, $at + Address::BYTES);
            $entries[] = new self(substr($node, $at, Address::BYTES), $numbers['count'], $numbers['least']);
        }

        return $entries;
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
