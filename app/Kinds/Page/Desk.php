<?php

declare(strict_types=1);

namespace App\Kinds\Page;

use App\View\TextDesk;

/** A page is put together from blocks. */
final class Desk extends TextDesk
{
    public const TOOLS = 'page.tools';

    public const MARK = 'data-page';

    public const TEXT = 'page-writing';
}
