<?php

declare(strict_types=1);

namespace App\View\Components;

use App\Models\Item;
use App\Models\User;
use App\View\Plans\EntryProposals;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\View\Component;

/** The ways to look at the entries of a form, and how many changes wait for a yes. */
final class EntriesBar extends Component
{
    public function __construct(private readonly Request $request, public readonly Item $item, public readonly string $at) {}

    public function count(): int
    {
        $user = $this->request->user();

        return $user instanceof User ? EntryProposals::waiting($this->item, $user)->count() : 0;
    }

    public function render(): View
    {
        return view('components.entries-bar');
    }
}
