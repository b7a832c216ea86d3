<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Item;
use App\Models\Publishing;
use App\View\ForReaders;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Vite;
use MistyAttic\Core\Store\ChunkStore;

/**
 * What is published, for everybody who has the address: without signing in, without JavaScript, without a cookie. Every
 * address is its own TimeGate (RFC 7089, 4.1.1, pattern 1.1): asked for a moment, it leads to what was live then.
 */
final class ReadController extends Controller
{
    private const STAMP = 'YmdHis';

    private const CONTENT_POLICY = "default-src 'none'; style-src 'self'; font-src 'self'; img-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";

    public function show(Request $request, string $address): Response
    {
        $readers = (Item::query()->where('address', $address)->first() ?? abort(404))->room(ForReaders::class);
        if (! $readers::IS_PAGE) {
            return $readers->instead($address, is_string($request->query('kept')) ? $request->query('kept') : null);
        }
        $item = $this->item($address);
        $all = $this->publishings($item);
        $asked = $request->headers->get('Accept-Datetime');
        if ($asked !== null) {
            return $this->atMoment($item, $all, $asked);
        }
        $live = $all->firstWhere('id', $item->live_id) ?? abort(404);

        return $this->page($request, $item, $live, $all, ['Vary' => 'Accept-Datetime', 'Link' => $this->links($item, $all, null)]);
    }

    /** A version as it was published: a memento. */
    public function memento(Request $request, string $address, string $stamp): Response
    {
        $item = $this->item($address);
        $all = $this->publishings($item);
        $publishing = $all->last(fn (Publishing $each) => $this->at($each)->format(self::STAMP) === $stamp) ?? abort(404);

        return $this->page($request, $item, $publishing, $all, ['Memento-Datetime' => $this->http($publishing), 'Link' => $this->links($item, $all, $publishing)]);
    }

    /** All of them, in the format of RFC 6690 as RFC 7089, 5, has it. */
    public function timeMap(string $address): Response
    {
        $item = $this->item($address);
        $all = $this->publishings($item);
        $own = route('read.timemap', $item->address);
        $lines = [
            '<'.route('read', $item->address).'>;rel="original timegate"',
            "<{$own}>;rel=\"self\";type=\"application/link-format\";from=\"{$this->http($all->firstOrFail())}\";until=\"{$this->http($all->last() ?? abort(404))}\"",
            ...$all->map(fn (Publishing $each) => $this->mementoLink($item, $each, $all))->all(),
        ];

        return response(implode(",\n", $lines)."\n", 200, ['Content-Type' => 'application/link-format', 'Cache-Control' => 'public, max-age=0, must-revalidate']);
    }

    public function picture(string $address, string $chunk, ChunkStore $chunks): Response
    {
        $picture = $this->item($address)->pictures()->where(['chunk' => $chunk, 'is_public' => true])->whereNull('bytes')->firstOrFail();
        $bytes = (string) hex2bin($chunk);

        return response($chunks->read([$bytes])[$bytes] ?? abort(404), 200, ['Content-Type' => $picture->type, 'Cache-Control' => 'public, max-age=3600', 'Content-Security-Policy' => "default-src 'none'; sandbox"]);
    }

    /** An item that the public may read now. */
    private function item(string $address): Item
    {
        $item = Item::query()->where(['address' => $address, 'is_public' => true])->whereNotNull('live_id')->firstOrFail();
        abort_unless($item->room(ForReaders::class)::IS_PAGE, 404);

        return $item;
    }

    /** @return Collection<int, Publishing> all that were ever live for everybody, the oldest first; of two within a second the later one */
    private function publishings(Item $item): Collection
    {
        return $item->publishings()->with('version')->whereNotNull('count')->where('is_public', true)->orderBy('count')->get()->keyBy(fn (Publishing $each) => $this->at($each)->format(self::STAMP))->values();
    }

    /** @param Collection<int, Publishing> $all */
    private function atMoment(Item $item, Collection $all, string $asked): Response
    {
        $moment = \DateTimeImmutable::createFromFormat('!D, d M Y H:i:s \G\M\T', trim($asked), new \DateTimeZone('UTC'));
        if ($moment === false || $moment->format('D, d M Y H:i:s \G\M\T') !== trim($asked)) {
            return response("Accept-Datetime is a date as in RFC 7089, 2.1.1: “Thu, 31 May 2026 20:35:00 GMT”.\n", 400, ['Content-Type' => 'text/plain; charset=utf-8', 'Vary' => 'Accept-Datetime', 'Link' => $this->links($item, $all, null)]);
        }
        // What came first is the answer to everything before it (RFC 7089, 4.5.3); in a gap nothing was live.
        $found = $all->last(fn (Publishing $each) => $this->at($each)->getTimestamp() <= $moment->getTimestamp()) ?? $all->firstOrFail();
        if ($found->ended_at !== null && $found->ended_at->getTimestamp() <= $moment->getTimestamp()) {
            return response()->view('errors.404', ['said' => __('publishing.gap')], 404, ['Vary' => 'Accept-Datetime', 'Link' => $this->links($item, $all, null)]);
        }

        return response('', 302, ['Location' => $this->address($item, $found), 'Vary' => 'Accept-Datetime', 'Link' => $this->links($item, $all, null), 'Cache-Control' => 'public, max-age=0, must-revalidate']);
    }

    /**
     * @param  Collection<int, Publishing>  $all
     * @param  array<string, string>  $headers
     */
    private function page(Request $request, Item $item, Publishing $publishing, Collection $all, array $headers): Response
    {
        $page = $item->room(ForReaders::class)->page($publishing->setRelation('item', $item), fn (string $chunk) => route('read.picture', [$item->address, $chunk], false));
        $etag = hash('sha256', implode('|', [$publishing->version->root, $publishing->title, $publishing->id, $publishing->ended_at?->getTimestamp(), $all->count(), json_encode($page->shows), Vite::manifestHash()]));
        $headers += ['Content-Security-Policy' => self::CONTENT_POLICY.($page->scripts ? "; script-src 'self'" : ''), 'Cache-Control' => 'public, max-age=0, must-revalidate', 'ETag' => "\"{$etag}\""];
        // Figures that follow their data move without anything being published.
        $headers += $page->moves ? [] : ['Last-Modified' => ($publishing->ended_at ?? $this->at($all->last() ?? $publishing))->format('D, d M Y H:i:s \G\M\T')];
        $response = new Response('', 200, $headers);
        if ($response->isNotModified($request)) {
            return $response;
        }

        return response()->view($page->view, [
            'title' => $publishing->title,
            'publishing' => $publishing,
            'isLive' => $publishing->id === $item->live_id,
            'item' => $item,
            'earlier' => $all->reject(fn (Publishing $each) => $each->id === $publishing->id)->reverse()->take(20)->mapWithKeys(fn (Publishing $each) => [$each->id === $item->live_id ? route('read', $item->address) : $this->address($item, $each) => $each]),
            ...$page->data,
        ], 200, $headers);
    }

    /** @param Collection<int, Publishing> $all */
    private function links(Item $item, Collection $all, ?Publishing $shown): string
    {
        $at = $shown === null ? null : (int) $all->search(fn (Publishing $each) => $each->id === $shown->id);
        $near = $at === null ? [$all->first(), $all->last()] : [$all->first(), $all[$at - 1] ?? null, $shown, $all[$at + 1] ?? null, $all->last()];

        return implode(', ', array_unique([
            '<'.route('read', $item->address).'>;rel="original timegate"',
            '<'.route('read.timemap', $item->address).'>;rel="timemap";type="application/link-format"',
            ...array_map(fn (Publishing $each) => $this->mementoLink($item, $each, $all, $at), array_values(array_filter($near))),
        ]));
    }

    /** @param Collection<int, Publishing> $all */
    private function mementoLink(Item $item, Publishing $publishing, Collection $all, ?int $shown = null): string
    {
        $at = (int) $all->search(fn (Publishing $each) => $each->id === $publishing->id);
        $rel = implode(' ', array_filter([
            $at === 0 ? 'first' : null, $at === $all->count() - 1 ? 'last' : null,
            $shown !== null && $at === $shown - 1 ? 'prev' : null, $shown !== null && $at === $shown + 1 ? 'next' : null, 'memento',
        ]));

        return "<{$this->address($item, $publishing)}>;rel=\"{$rel}\";datetime=\"{$this->http($publishing)}\"";
    }

    private function address(Item $item, Publishing $publishing): string
    {
        return route('read.memento', [$item->address, $this->at($publishing)->format(self::STAMP)]);
    }

    private function http(Publishing $publishing): string
    {
        return $this->at($publishing)->format('D, d M Y H:i:s \G\M\T');
    }

    private function at(Publishing $publishing): CarbonImmutable
    {
        return $publishing->decided_at ?? throw new \LogicException('What was live was decided on');
    }
}
