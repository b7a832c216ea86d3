<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare;

enum SpanKind: string
{
    case Same = 'same';
    case Added = 'added';
    case Removed = 'removed';

    /** The same words with other marks. */
    case Formatted = 'formatted';
}
