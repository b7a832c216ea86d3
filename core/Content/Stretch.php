<?php

declare(strict_types=1);

namespace MistyAttic\Core\Content;

/** A stretch of two pre-order lists in which they differ, with all that is needed to tell where its parts hang. */
final readonly class Stretch
{
    /**
     * @param  list<string>  $open  ids of the parts that are open before it on both sides, by depth: the last part of each depth that no
     *     shallower one follows
     * @param  list<Part>  $old
     * @param  list<Part>  $new
     * @param  int  $oldFrom  where it begins in all of the old list
     * @param  int  $newFrom
     */
    public function __construct(
        public array $open,
        public array $old,
        public array $new,
        public int $oldFrom = 0,
        public int $newFrom = 0,
    ) {}

    /**
     * @param  list<Part>  $old
     * @param  list<Part>  $new
     */
    public function with(array $old, array $new): self
    {
        return $old === [] && $new === []
            ? $this
            : new self($this->open, [...$this->old, ...$old], [...$this->new, ...$new], $this->oldFrom, $this->newFrom);
    }

    /**
     * The least depth at which different parts are open after it on the two sides, so that what is deeper hangs elsewhere; null when there
     * is none.
     */
    public function differsFrom(): ?int
    {
        $old = self::after($this->open, $this->old);
        $new = self::after($this->open, $this->new);
        for ($depth = 0; isset($old[$depth]) || isset($new[$depth]); $depth++) {
            if (($old[$depth] ?? null) !== ($new[$depth] ?? null)) {
                return $depth;
            }
        }

        return null;
    }

    /**
     * @param  list<string>  $open
     * @param  list<Part>  $parts
     * @return list<string>
     */
    private static function after(array $open, array $parts): array
    {
        // From the end on: what is open of a depth is the last part there that no shallower one follows.
        $found = [];
        $least = PHP_INT_MAX;
        for ($at = count($parts) - 1; $at >= 0 && $least > 0; $at--) {
            if ($parts[$at]->depth < $least) {
                $found[] = $parts[$at]->id;
                $least = $parts[$at]->depth;
            }
        }

        return [...array_slice($open, 0, $least), ...array_reverse($found)];
    }
}
