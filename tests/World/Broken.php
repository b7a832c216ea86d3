<?php

declare(strict_types=1);

namespace Tests\World;

/** A law that does not hold. */
final class Broken extends \RuntimeException
{
    public static function law(string $law, string $what): self
    {
        return new self("{$law}: {$what}");
    }
}
