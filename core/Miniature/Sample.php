<?php

declare(strict_types=1);

namespace MistyAttic\Core\Miniature;

use MistyAttic\Core\Content\Part;

/** What of a state a miniature is drawn from: all parts of a small one, some of a large one. */
final readonly class Sample
{
    /** @var array<string, true> parts that changed, or in which a cell did */
    private array $touched;

    /**
     * @param  list<Part>  $parts  in order
     * @param  int  $count  how many parts the whole state has
     * @param  array<string, int>  $changed  id of a part that changed, or row/column of a cell => colour of its editor
     * @param  array<string, array{string, string}>  $pictures  by the address of the chunk: type and bytes of a small copy
     * @param  array<string, array{values: list<int|float|null>, said: string}>  $figures  by the widget: what it shows
     */
    public function __construct(
        public string $title,
        public array $parts,
        public int $count,
        public array $changed = [],
        public array $pictures = [],
        public array $figures = [],
    ) {
        $this->touched = array_fill_keys(array_map(fn (int|string $id) => explode('/', (string) $id)[0], array_keys($changed)), true);
    }

    /**
     * @param  array<string, array{string, string}>  $pictures
     * @param  array<string, array{values: list<int|float|null>, said: string}>  $figures
     */
    public function with(array $pictures = [], array $figures = []): self
    {
        return new self(
            $this->title,
            $this->parts,
            $this->count,
            $this->changed,
            [...$this->pictures, ...$pictures],
            [...$this->figures, ...$figures],
        );
    }

    /** The tone of who changed a part; null for one that nobody did. */
    public function tone(string $id): ?string
    {
        return isset($this->changed[$id]) ? Tone::ofEditor($this->changed[$id]) : null;
    }

    /** Whether a part, or a cell in it, changed. */
    public function isChanged(string $id): bool
    {
        return isset($this->touched[$id]);
    }

    /**
     * Parts in groups, each of which begins with a part of certain roles; what is before the first of them is left out.
     *
     * @param  list<Part>  $parts
     * @return list<non-empty-list<Part>>
     */
    public static function groups(array $parts, string ...$roles): array
    {
        $groups = [];
        foreach ($parts as $part) {
            $last = count($groups) - 1;
            if (in_array($part->role, $roles, true)) {
                $groups[] = [$part];
            } elseif ($last >= 0) {
                $groups[$last][] = $part;
            }
        }

        return $groups;
    }

    /** @param list<Part> $parts */
    public function isAnyChanged(array $parts): bool
    {
        foreach ($this->changed === [] ? [] : $parts as $part) {
            if (isset($this->touched[$part->id])) {
                return true;
            }
        }

        return false;
    }

    /**
     * The first group in which something changed, or the first.
     *
     * @param  list<non-empty-list<Part>>  $groups
     * @return list<Part>
     */
    public function chosen(array $groups): array
    {
        foreach ($groups as $group) {
            if ($this->isAnyChanged($group)) {
                return $group;
            }
        }

        return $groups[0] ?? [];
    }

    /**
     * So many of some things, in their order: first those that are wanted, the others evenly.
     *
     * @template T
     *
     * @param  list<T>  $all
     * @param  callable(T): bool  $isWanted
     * @return list<T>
     */
    public static function thinned(array $all, int $most, callable $isWanted): array
    {
        if (count($all) <= $most) {
            return $all;
        }
        $kept = array_slice(array_keys(array_filter($all, $isWanted)), 0, $most, true);
        $kept = array_fill_keys($kept, true) + [0 => true];
        $others = array_keys(array_diff_key($all, $kept));
        $room = max(0, $most - count($kept));
        for ($at = 0; $at < $room; $at++) {
            $kept[$others[intdiv($at * count($others), $room)]] = true;
        }
        ksort($kept);

        return array_slice(array_values(array_intersect_key($all, $kept)), 0, $most);
    }
}
