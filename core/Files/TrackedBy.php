<?php

declare(strict_types=1);

namespace MistyAttic\Core\Files;

use MistyAttic\Core\Formats\Xml;

/** Who made a change, and when. */
final readonly class TrackedBy
{
    /** @param string $at a moment by ISO 8601, in UTC */
    public function __construct(public string $name, public string $at) {}

    public function attributes(int $id): string
    {
        return "w:id=\"{$id}\" w:author=\"".Xml::escape($this->name)."\" w:date=\"{$this->at}\"";
    }
}
