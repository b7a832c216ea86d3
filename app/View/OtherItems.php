<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;

/** Whether whoever looks may be told of another item than the one that they look at: its title, its fields. */
final class OtherItems
{
    /** @var array<string, bool> by person and item */
    private array $told = [];

    /** Nobody who is not signed in is told of any; of what is published, drafts are not told of either. */
    public function tellsOf(?Item $item): bool
    {
        return $item !== null && ($this->told[Auth::id().' '.$item->id] ??= Gate::allows('draft', $item));
    }

    public function tellsOfKey(string $key): bool
    {
        return $this->tellsOf(Item::query()->where('key', $key)->first());
    }
}
