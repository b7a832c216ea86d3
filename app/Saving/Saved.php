<?php

declare(strict_types=1);

namespace App\Saving;

use App\Models\HeldEdit;
use App\Models\Version;
use MistyAttic\Core\Content\PartTree;

/** What a save came to. */
final readonly class Saved
{
    /**
     * @param  string  $sent  the root of the state as it was sent
     * @param  PartTree  $mine  the state as it was sent
     * @param  PartTree  $tree  the newest state
     * @param  bool  $merged  whether it holds more than what was sent
     * @param  list<HeldEdit>  $held
     */
    public function __construct(
        public Version $version,
        public string $root,
        public string $sent,
        public PartTree $mine,
        public PartTree $tree,
        public bool $merged,
        public array $held,
    ) {}
}
