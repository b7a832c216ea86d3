<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Texts;

enum SpanKind: string
{
    case Same = 'same';
    case Added = 'added';
    case Removed = 'removed';

    /** Words that stood somewhere else before. */
    case Came = 'came';

    /** Words that are somewhere else now. */
    case Went = 'went';

    /** The same words with other marks. */
    case Formatted = 'formatted';
}
