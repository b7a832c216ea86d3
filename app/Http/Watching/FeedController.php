<?php

declare(strict_types=1);

namespace App\Http\Watching;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\Shelf;
use App\Models\User;
use App\View\Mementos;
use App\View\Phrases;
use App\View\Readers\ForReaders;
use App\View\Watching\Change;
use App\View\Watching\Changes;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
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

        return $this->atom((string) $item->live?->title, route('read', $address), array_values($states->all->reverse()->take(Changes::MOST)->map(fn (Publishing $each) => [
            'id' => $states->address($each), 'title' => (string) __('watching.state', ['title' => $each->title]), 'at' => Mementos::at($each), 'by' => null, 'link' => $states->address($each),
        ])->all()));
    }

    /** The link below a mail: no more of them, without signing in. Looking at it changes nothing, since programs look, too. */
    public function noMails(Request $request, int $person): Response
    {
        $done = $request->isMethod('post') && User::query()->whereKey($person)->update(['mails' => 'none']) > 0;

        return response()->view('mails-none', ['done' => $done]);
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
        return $this->atom($title, $link, array_map(fn (Change $change) => [
            'id' => route('item', $change->item->key).'#'.$change->version->number, 'title' => "{$change->item->title}: {$change->said}", 'at' => $change->version->saved_at, 'by' => $change->version->user->name, 'link' => $change->address(),
        ], $changes));
    }

    /** @param list<array{id: string, title: string, at: CarbonImmutable, by: string|null, link: string}> $entries */
    private function atom(string $title, string $link, array $entries): Response
    {
        $xml = new \XMLWriter;
        $xml->openMemory();
        $xml->startDocument('1.0', 'UTF-8');
        $xml->startElementNs(null, 'feed', 'http://www.w3.org/2005/Atom');
        $xml->writeElement('title', $title);
        $xml->writeElement('id', $link);
        $xml->writeElement('updated', ($entries[0]['at'] ?? CarbonImmutable::createFromTimestamp(0))->toAtomString());
        $xml->startElement('author');
        $xml->writeElement('name', (string) config('attic.place'));
        $xml->endElement();
        self::link($xml, 'alternate', $link);
        self::link($xml, 'self', request()->url());
        foreach ($entries as $entry) {
            $xml->startElement('entry');
            $xml->writeElement('id', $entry['id']);
            $xml->writeElement('title', $entry['title']);
            $xml->writeElement('updated', $entry['at']->toAtomString());
            if ($entry['by'] !== null) {
                $xml->startElement('author');
                $xml->writeElement('name', $entry['by']);
                $xml->endElement();
            }
            self::link($xml, 'alternate', $entry['link']);
            $xml->endElement();
        }
        $xml->endElement();
        $xml->endDocument();

        return response($xml->outputMemory(), 200, ['Content-Type' => 'application/atom+xml; charset=utf-8', 'Cache-Control' => 'private, max-age=300', 'Referrer-Policy' => 'no-referrer']);
    }

    private static function link(\XMLWriter $xml, string $rel, string $href): void
    {
        $xml->startElement('link');
        $xml->writeAttribute('rel', $rel);
        $xml->writeAttribute('href', $href);
        $xml->endElement();
    }
}
