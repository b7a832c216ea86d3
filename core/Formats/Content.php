<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kind;

/** What a file holds. */
final readonly class Content
{
    /**
     * @param  array<string, string>  $pictures  chunk (hexadecimal address) => bytes of the pictures that the parts refer to
     * @param  array<string, int>  $left  what the file holds besides and was left out: {@see LeftOut}
     * @param  list<TrackedTree>  $tracked  what its authors suggest: the tree is what it was without
     * @param  list<SaidInFile>  $said
     * @param  bool  $hasIds  whether its parts have ids of an item of ours
     */
    public function __construct(
        public Kind $kind,
        public PartTree $tree,
        public array $pictures = [],
        public array $left = [],
        public array $tracked = [],
        public array $said = [],
        public bool $hasIds = false,
    ) {}

    /** What is said about the cells of its first tab, about those of another one: the tab that the file stands for, from 0. */
    public function inTab(int $tab): self
    {
        $said = array_map(
            fn (SaidInFile $one): SaidInFile => $one->cell === null
                ? $one
                : $one->with(cell: [$one->cell[0] + $tab, $one->cell[1], $one->cell[2]]),
            $this->said,
        );

        return $tab === 0 ? $this : new self($this->kind, $this->tree, $this->pictures, $this->left, $this->tracked, $said, $this->hasIds);
    }
}
