<?php

declare(strict_types=1);

namespace App\View\Components;

use App\Models\Item;
use App\Models\Shelf;
use App\View\Proposals\OpenProposals;
use App\View\Talk\Talk;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\Gate;
use Illuminate\View\Component;

/** What is above every screen of an item: where it is, its name, its tabs, and whether it was deleted. */
final class ItemHead extends Component
{
    /** Threads that are open; null for who is told of none. */
    public readonly ?int $threads;

    /** Proposals that are open; null for who proposes nothing and is told of none. */
    public readonly ?int $proposed;

    /** What was deleted that it can't be worked with; entries say so with their form. */
    public readonly Item|Shelf|null $lost;

    public readonly bool $publishes;

    /** @param string $at the tab that is open */
    public function __construct(public readonly Item $item, public readonly string $at, public readonly bool $editable = false)
    {
        $this->threads = Gate::allows('talk', $item) ? Talk::open($item) : null;
        $this->proposed = Gate::allows('propose', $item) ? OpenProposals::now($item)->count() : null;
        $this->lost = $item->form_id === null ? $item->lostWith()?->loadMissing('deleter') : null;
        $this->publishes
            = $item->form_id === null && $item->isPublishable() && $item->sight === null && Gate::any(['askToPublish', 'publishNow'], $item);
    }

    public function render(): View
    {
        return view('components.item-head');
    }
}
