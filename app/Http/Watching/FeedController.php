<?php

declare(strict_types=1);

namespace App\Http\Watching;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\View\Mementos;
use App\View\Phrases;
use App\View\Readers\ForReaders;
use App\View\Watching\Atom;
use App\View\Watching\Change;
use App\View\Watching\Changes;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;

/** What changed, as Atom (RFC 4287): of an item or a shelf for whoever's key it is, of a public address for everybody. */
final class FeedController extends Controller
{
    public function item(string $key, string $item, Phrases $phrases): Response
    {
        $person = $this->holder($key);
        $found = (new Item)->resolveRouteBinding($item) ?? abort(404);
        Gate::authorize('view', $found);

        return $this->feed($found->title, route('history', $found->key), (new Changes($person, $phrases))->of($found));
    }

    public function shelf(string $key, string $shelf, Phrases $phrases): Response
    {
        $person = $this->holder($key);
        $found = Shelf::query()->with('memberships')->where('key', $shelf)->firstOrFail();
        Gate::authorize('view', $found);

        return $this->feed($found->name, route('shelf', $found), (new Changes($person, $phrases))->of($found));
    }

    /** What was published at an address, and when. */
    public function address(string $address): Response
    {
        $item = Item::query()->public($address)->firstOrFail();
        abort_unless($item->room(ForReaders::class)::IS_PAGE, 404);
        $states = new Mementos($item);

        $feed = new Atom((string) $item->live?->title, route('read', $address));
        foreach ($states->all->reverse()->take(Changes::MOST) as $each) {
            $feed->add(
                $states->address($each),
                (string) __('watching.state', ['title' => $each->title]),
                Mementos::at($each),
                null,
                $states->address($each),
            );
        }

        return $this->answer($feed);
    }

    /** Whose key it is, for this request alone. */
    private function holder(string $key): User
    {
        $person = User::query()->where('feed_key', $key)->whereNull('left_at')->first() ?? abort(404);
        Auth::setUser($person);

        return $person;
    }

    /** @param list<Change> $changes */
    private function feed(string $title, string $link, array $changes): Response
    {
        $feed = new Atom($title, $link);
        foreach ($changes as $change) {
            $id = route('item', $change->item->key).'#'.$change->version->number;
            $feed->add(
                $id,
                "{$change->item->title}: {$change->said}",
                $change->version->saved_at,
                $change->version->user->name,
                $change->address(),
            );
        }

        return $this->answer($feed);
    }

    private function answer(Atom $feed): Response
    {
        return response($feed->xml(request()->url(), (string) config('attic.place')), 200, [
            'Content-Type' => 'application/atom+xml; charset=utf-8',
            'Cache-Control' => 'private, max-age=300',
            'Referrer-Policy' => 'no-referrer',
        ]);
    }
}
