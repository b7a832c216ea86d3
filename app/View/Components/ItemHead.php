<?php

declare(strict_types=1);

namespace App\View\Components;

use App\Models\Item;
use App\Models\Shelf;
use App\View\Proposals\OpenProposals;
use App\View\Talk\Talk;
use Illuminate\Contracts\View\View;
use Illuminate\View\Component;

/** What is above every screen of an item: where it is, its name, its tabs, and whether it was deleted. */
final class ItemHead extends Component
{
    /** @param string $at the tab that is open */
    public function __construct(public readonly Item $item, public readonly string $at, public readonly bool $editable = false) {}

    public function threads(): int
    {
        return Talk::open($this->item);
    }

    public function proposed(): int
    {
        return OpenProposals::now($this->item)->count();
    }

    /** What was deleted that it can't be worked with; entries say so with their form. */
    public function lost(): Item|Shelf|null
    {
        return $this->item->form_id === null ? $this->item->lostWith()?->loadMissing('deleter') : null;
    }

    public function render(): View
    {
        return view('components.item-head');
    }
}
