<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Changes;

final readonly class Misfit
{
    /** @param string|null $field the field that differs, if it is one */
    public function __construct(public MisfitType $type, public string $id, public ?string $field = null) {}
}
