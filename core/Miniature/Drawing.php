<?php

declare(strict_types=1);

namespace MistyAttic\Core\Miniature;

/** How a kind looks from afar. The same sample is always drawn the same. */
interface Drawing
{
    public function draw(Sample $sample, Canvas $canvas): void;
}
