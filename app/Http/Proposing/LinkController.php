<?php

declare(strict_types=1);

namespace App\Http\Proposing;

use App\Http\Controller;
use App\Models\Item;
use App\Models\LogLine;
use App\Models\ProposalLink;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;

/** Links with which people without an account propose: given by owners, and taken back. */
final class LinkController extends Controller
{
    public function store(LinkRequest $request, Item $item): RedirectResponse
    {
        $sent = $request->validated();
        ProposalLink::query()->create([
            'token' => Str::random(40),
            'item_id' => $item->id,
            'user_id' => $this->person($request)->id,
            'ends_at' => now()->addDays((int) $sent['days']),
            'most' => (int) $sent['most'],
        ]);
        LogLine::ofItem('link_given', $this->person($request), $item, ['days' => (string) $sent['days'], 'most' => (string) $sent['most']]);

        return redirect()->route('proposals', $item)->with('said', __('proposing.link.given'));
    }

    public function destroy(Request $request, Item $item, ProposalLink $link): RedirectResponse
    {
        Gate::authorize('letPropose', $item);
        abort_unless($link->item_id === $item->id, 404);
        $link->update(['ends_at' => now()]);
        LogLine::ofItem('link_taken_back', $this->person($request), $item);

        return redirect()->route('proposals', $item)->with('said', __('proposing.link.taken_back'));
    }
}
