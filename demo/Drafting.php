<?php

declare(strict_types=1);

namespace Demo;

use MistyAttic\Core\Content\PartTree;

/** Carries a line of a story out on an item of one kind. */
interface Drafting
{
    /**
     * Several edits in one save are parted by ` && `.
     *
     * @throws \DomainException when the line does not fit what is there
     */
    public function edit(PartTree $tree, string $line): PartTree;
}
