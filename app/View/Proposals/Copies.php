<?php

declare(strict_types=1);

namespace App\View\Proposals;

use App\Models\Item;
use App\View\OtherItems;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Gate;

/** What an item was copied out from, and the copies of it, of those that somebody may see. */
final readonly class Copies
{
    private const MOST = 50;

    /** @var Collection<int, Item> */
    public Collection $copies;

    public ?Item $original;

    /** Whether this person may propose for the original what was written here since. */
    public bool $mayTakeIn;

    public function __construct(Item $item, OtherItems $others)
    {
        $this->copies = Item::query()
            ->with('shelf.memberships', 'origin')
            ->standing()
            ->whereIn('copied_from', $item->versions()->select('id'))
            ->orderByDesc('id')
            ->limit(self::MOST)
            ->get()
            ->filter($others->tellsOf(...))
            ->values();
        $original = $item->origin?->item;
        $this->original = $others->tellsOf($original) ? $original : null;
        $this->mayTakeIn = $this->original !== null && Gate::allows('propose', $this->original) && Gate::allows('draft', $item);
    }
}
