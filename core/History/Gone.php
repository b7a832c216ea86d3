<?php

declare(strict_types=1);

namespace MistyAttic\Core\History;

/** A word, or a whole field's value, that a version took away. */
final readonly class Gone
{
    /** @param int|null $by the version that had written it; null when it was there at the beginning */
    public function __construct(public string $part, public string $field, public string $text, public ?int $by, public int $version) {}
}
