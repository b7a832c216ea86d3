<?php

declare(strict_types=1);

namespace MistyAttic\Core\Content;

/** What a run of rich text may have. A link carries its address; the others are on or off. */
enum Mark: string
{
    case Bold = 'bold';
    case Code = 'code';
    case Italic = 'italic';
    case Link = 'link';
    case Lowered = 'lowered';
    case Raised = 'raised';
    case Strike = 'strike';
    case Underline = 'underline';
}
