<?php

declare(strict_types=1);

namespace App\View\Components;

use App\Models\Item;
use App\Models\Version;
use App\View\OtherItems;
use Illuminate\Contracts\View\View;
use Illuminate\View\Component;

/** What an item was copied out from. */
final class Origin extends Component
{
    /** Null where it was made by itself, or whoever looks may not be told. */
    public readonly ?Version $origin;

    /** By the name that it had then. */
    public readonly string $title;

    public function __construct(OtherItems $others, Item $item)
    {
        $origin = $item->copied_from === null ? null : $item->loadMissing('origin.item')->origin;
        $this->origin = $others->tellsOf($origin?->item) ? $origin : null;
        $this->title = $this->origin === null ? '' : $item->originTitle();
    }

    public function render(): View
    {
        return view('components.origin');
    }
}
