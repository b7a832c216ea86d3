<?php

declare(strict_types=1);

namespace App\View;

use MistyAttic\Core\Compare\Telling\MarkedPart;

/** A long document is looked back at in pieces, each of so many of its blocks. */
final class Pieces
{
    private const BLOCKS = 1_000;

    /** How many there are. */
    public int $count = 1;

    /** @var array<string, int> part => the piece that it is in, of what is not shown */
    private array $elsewhere = [];

    /** @param string $part that is to be on it; '' for none */
    public function __construct(public int $shown, private readonly string $part = '') {}

    /**
     * @param  list<MarkedPart>  $all  at the top
     * @return list<MarkedPart> those of the piece that is shown
     */
    public function cut(array $all): array
    {
        $this->count = max(1, (int) ceil(count($all) / self::BLOCKS));
        $wanted = array_filter($this->part === '' ? [] : $all, fn (MarkedPart $marked): bool => self::holds($marked, $this->part));
        $at = array_key_first($wanted);
        $this->shown = $at === null ? max(1, min($this->count, $this->shown)) : intdiv($at, self::BLOCKS) + 1;
        if ($this->count > 1) {
            foreach ($all as $at => $marked) {
                $piece = intdiv($at, self::BLOCKS) + 1;
                $piece === $this->shown || $this->lies($marked, $piece);
            }
        }

        return array_slice($all, ($this->shown - 1) * self::BLOCKS, self::BLOCKS);
    }

    private static function holds(MarkedPart $marked, string $part): bool
    {
        return $marked->part->id === $part
            || array_filter($marked->children, fn (MarkedPart $below): bool => self::holds($below, $part)) !== [];
    }

    private function lies(MarkedPart $marked, int $piece): void
    {
        $this->elsewhere[$marked->part->id] = $piece;
        array_map(fn (MarkedPart $below) => $this->lies($below, $piece), $marked->children);
    }

    /** The piece that a part is in; null when it is the one that is shown. */
    public function of(string $part): ?int
    {
        return $this->elsewhere[$part] ?? null;
    }
}
