<?php

declare(strict_types=1);

namespace MistyAttic\Core\Miniature;

/** How a block is in its flow. */
enum Shape
{
    case Text;
    case Heading;
    case Box;
    case Rule;
    case Table;
    case Picture;
}
