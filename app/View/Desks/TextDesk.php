<?php

declare(strict_types=1);

namespace App\View\Desks;

use App\Models\Item;
use App\Models\User;

/** A desk on which a text is written, with tools above it. */
class TextDesk extends Desk
{
    public const VIEW = 'write';

    /** The view of the tools, and the class of the text on the sheet. */
    public const TOOLS = 'write.tools';

    public const TEXT = 'sheet-text';

    /** Whether its parts have settings besides their texts. */
    public const HAS_SETTINGS = true;

    public const SENDS_STATES = true;

    public function of(Item $item, User $person, string $shown): array
    {
        return [];
    }
}
