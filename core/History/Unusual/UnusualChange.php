<?php

declare(strict_types=1);

namespace MistyAttic\Core\History\Unusual;

final readonly class UnusualChange
{
    /**
     * @param  non-empty-list<string>  $ids  the parts, the one to go to first
     * @param  string|null  $field  the cell's column, if it is about a cell
     * @param  array<string, string|int|float>  $evidence  see {@see UnusualType}
     */
    public function __construct(public UnusualType $type, public array $ids, public ?string $field, public array $evidence) {}
}
