<?php

declare(strict_types=1);

namespace App\Http\Watching;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Shelf;
use App\Watching\Watch;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;

/** Of what one wants word, by mail and by feeds. */
final class WatchController extends Controller
{
    public function show(Request $request, Item $item): View
    {
        Gate::authorize('view', $item);
        $person = $this->person($request);

        return view('watch', [
            'item' => $item,
            'how' => Watch::how($person, $item),
            'shelf' => Watch::how($person, $item->shelf),
            'feed' => $person->feed_key === null ? null : route('feed.item', [$person->feed_key, $item->key]),
        ]);
    }

    public function item(WatchRequest $request, Item $item): RedirectResponse
    {
        Gate::authorize('view', $item);
        Watch::say($this->person($request), $item, $request->how());

        return redirect()->route('watch', $item)->with('said', __('watching.said'));
    }

    public function shelf(WatchRequest $request, Shelf $shelf): RedirectResponse
    {
        Gate::authorize('view', $shelf);
        Watch::say($this->person($request), $shelf, $request->how());

        return redirect()->route('shelf.edit', $shelf)->with('said', __('watching.said'));
    }

    /** A key for programs: a new one ends the one before. */
    public function feed(Request $request): RedirectResponse
    {
        $this->person($request)->forceFill(['feed_key' => $request->boolean('key') ? Str::random(40) : null])->save();

        return redirect()->route('account')->with('said', __($request->boolean('key') ? 'watching.key' : 'watching.no_key'));
    }

    public function mails(MailsRequest $request): RedirectResponse
    {
        $this->person($request)->update($request->validated());

        return redirect()->route('account')->with('said', __('account.kept'));
    }
}
