<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

/** A stretch in which two lists differ; either side may be empty. Positions count records. */
final readonly class Region
{
    /**
     * @param  list<string>  $old
     * @param  list<string>  $new
     */
    public function __construct(public int $oldFrom, public array $old, public int $newFrom, public array $new) {}

    public function oldTo(): int
    {
        return $this->oldFrom + count($this->old);
    }

    public function newTo(): int
    {
        return $this->newFrom + count($this->new);
    }
}
