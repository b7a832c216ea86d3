<?php

declare(strict_types=1);

namespace App\Kinds\Page;

use App\Models\Item;
use App\Models\User;
use App\View\Desks\TextDesk;
use Illuminate\Contracts\View\View;

/** A page is put together from blocks. */
final class Desk extends TextDesk
{
    public const TOOLS = 'kinds.page.tools';

    public const TEXT = 'page-writing';

    public function read(Item $item, User $person): View
    {
        return view('kinds.page.read', [
            'item' => $item,
            'page' => new PageHtml(
                app(PageFigures::class)->filled($this->states->tree($item->root)),
                fn (string $chunk) => route('picture', [$item, $chunk]),
            ),
        ]);
    }
}
