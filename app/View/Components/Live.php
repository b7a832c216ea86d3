<?php

declare(strict_types=1);

namespace App\View\Components;

use App\Models\Item;
use Illuminate\Contracts\View\View;
use Illuminate\View\Component;

/** What readers see of an item, and how far the draft is from that. */
final class Live extends Component
{
    public function __construct(public readonly Item $item)
    {
        $item->isPublishable() && $item->loadMissing('live.version');
    }

    public function render(): View
    {
        return view('components.live');
    }
}
