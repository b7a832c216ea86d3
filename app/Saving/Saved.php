<?php

declare(strict_types=1);

namespace App\Saving;

use App\Models\HeldEdit;
use App\Models\Version;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;

/** What a save came to. */
final readonly class Saved
{
    /**
     * @param  string  $sent  the root of the state as it was sent
     * @param  PartTree  $mine  the state as it was sent
     * @param  PartTree  $tree  the newest state
     * @param  bool  $merged  whether it holds more than what was sent
     * @param  list<HeldEdit>  $held
     * @param  Content|null  $file  what a file held that it came from
     * @param  bool  $noted  whether the note that was sent is kept
     */
    public function __construct(
        public Version $version,
        public string $root,
        public string $sent,
        public PartTree $mine,
        public PartTree $tree,
        public bool $merged,
        public array $held,
        public ?Content $file = null,
        public bool $noted = true,
    ) {}

    public function of(Content $file): self
    {
        return new self(
            $this->version,
            $this->root,
            $this->sent,
            $this->mine,
            $this->tree,
            $this->merged,
            $this->held,
            $file,
            $this->noted,
        );
    }
}
