<?php

declare(strict_types=1);

namespace App\Kinds\Form;

/** A part on the map of a page, in pixels. */
final readonly class MapBox
{
    public function __construct(
        public string $id,
        public int $x,
        public int $y,
        public int $width,
        public int $height,
        public string $name,
        public string $state,
        public ?int $colour,
    ) {}
}
