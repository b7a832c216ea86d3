<?php

declare(strict_types=1);

namespace App\Kinds\Document;

use App\View\Desks\TextDesk;

/** A document is written as a text. */
final class Desk extends TextDesk
{
    public const HAS_SETTINGS = false;
}
