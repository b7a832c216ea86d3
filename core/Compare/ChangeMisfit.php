<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare;

use MistyAttic\Core\Content\CoreException;

/** A change set was applied to a tree that it does not fit. */
final class ChangeMisfit extends \DomainException implements CoreException
{
    public static function gone(string $id): self
    {
        return new self("The part {$id} that changes is not there");
    }

    public static function noPlace(string $id): self
    {
        return new self("The place where the part {$id} goes is not there");
    }
}
