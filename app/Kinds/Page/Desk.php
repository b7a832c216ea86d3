<?php

declare(strict_types=1);

namespace App\Kinds\Page;

use App\View\Desk as Plain;

/** A page is put together from blocks. */
final class Desk extends Plain
{
    public const TOOLS = 'page.tools';

    public const MARK = 'data-page';

    public const TEXT = 'page-writing';
}
