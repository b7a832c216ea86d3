<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AnswerWish;
use App\Models\Item;
use App\Models\PublishingState;
use App\Store\States;
use App\View\EntryWishes;
use App\View\Phrases;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

/** The changes to entries that wait for a yes, to be looked through and answered together. */
final class EntryWishesController extends Controller
{
    public function show(Request $request, Item $item, States $states, Phrases $phrases): View
    {
        Gate::authorize('entries', $item);

        return view('entries-waiting', ['item' => $item, 'waiting' => new EntryWishes($item, $this->person($request), $states, $phrases)]);
    }

    /** Says yes to those that are ticked. No is said to one at a time, with a word why. */
    public function store(Request $request, Item $item, AnswerWish $answer): RedirectResponse
    {
        Gate::authorize('entries', $item);
        $ticked = $request->validate(['wishes' => ['required', 'array', 'max:500'], 'wishes.*' => ['integer']], ['wishes.required' => __('agreeing.none')])['wishes'];
        $wishes = EntryWishes::waiting($item, $this->person($request))->with('user', 'version', 'item.shelf.memberships')->whereKey($ticked)->get();
        foreach ($wishes as $wish) {
            Gate::authorize('answer', [$wish->item, $wish]);
        }
        $done = DB::transaction(fn (): int => $wishes->filter(fn ($wish) => $answer->handle($wish, $this->person($request), PublishingState::Published, null))->count());

        return redirect()->route('entries.waiting', $item)->with('said', trans_choice('agreeing.done', $done, ['count' => (string) $done]));
    }
}
