<?php

declare(strict_types=1);

namespace App\Http\Publishing;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Publishing;
use App\View\Mementos;
use App\View\Readers\ForReaders;
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
    private const CONTENT_POLICY = "default-src 'none'; style-src 'self'; font-src 'self'; img-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";

    public function show(Request $request, string $address): Response
    {
        $readers = (Item::query()->where('address', $address)->first() ?? abort(404))->room(ForReaders::class);
        if (! $readers::IS_PAGE) {
            return $readers->instead($address, is_string($request->query('kept')) ? $request->query('kept') : null);
        }
        $states = new Mementos($this->item($address));
        $asked = $request->headers->get('Accept-Datetime');
        if ($asked !== null) {
            return $this->atMoment($states, $asked);
        }
        $live = $states->all->firstWhere('id', $states->item->live_id) ?? abort(404);

        return $this->page($request, $states, $live, ['Vary' => 'Accept-Datetime', 'Link' => $states->links(null)]);
    }

    /** A version as it was published: a memento. */
    public function memento(Request $request, string $address, string $stamp): Response
    {
        $states = new Mementos($this->item($address));
        $publishing = $states->stamped($stamp) ?? abort(404);

        return $this->page($request, $states, $publishing, ['Memento-Datetime' => Mementos::http($publishing), 'Link' => $states->links($publishing)]);
    }

    public function timeMap(string $address): Response
    {
        return response((new Mementos($this->item($address)))->timeMap(), 200, ['Content-Type' => 'application/link-format', 'Cache-Control' => 'public, max-age=0, must-revalidate']);
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
        $item = Item::query()->public($address)->firstOrFail();
        abort_unless($item->room(ForReaders::class)::IS_PAGE, 404);

        return $item;
    }

    private function atMoment(Mementos $states, string $asked): Response
    {
        $headers = ['Vary' => 'Accept-Datetime', 'Link' => $states->links(null)];
        $moment = \DateTimeImmutable::createFromFormat('!D, d M Y H:i:s \G\M\T', trim($asked), new \DateTimeZone('UTC'));
        if ($moment === false || $moment->format('D, d M Y H:i:s \G\M\T') !== trim($asked)) {
            return response("Accept-Datetime is a date as in RFC 7089, 2.1.1: “Thu, 31 May 2026 20:35:00 GMT”.\n", 400, ['Content-Type' => 'text/plain; charset=utf-8', ...$headers]);
        }
        $found = $states->around($moment->getTimestamp());
        // In a gap nothing was live.
        if ($found->ended_at !== null && $found->ended_at->getTimestamp() <= $moment->getTimestamp()) {
            return response()->view('errors.404', ['said' => __('publishing.gap')], 404, $headers);
        }

        return response('', 302, ['Location' => $states->address($found), ...$headers, 'Cache-Control' => 'public, max-age=0, must-revalidate']);
    }

    /** @param array<string, string> $headers */
    private function page(Request $request, Mementos $states, Publishing $publishing, array $headers): Response
    {
        $item = $states->item;
        $page = $item->room(ForReaders::class)->page($publishing->setRelation('item', $item), fn (string $chunk) => route('read.picture', [$item->address, $chunk], false));
        $etag = hash('sha256', implode('|', [$publishing->version->root, $publishing->title, $publishing->id, $publishing->ended_at?->getTimestamp(), $states->all->count(), json_encode($page->shows), Vite::manifestHash()]));
        $headers += ['Content-Security-Policy' => self::CONTENT_POLICY.($page->scripts ? "; script-src 'self'" : ''), 'Cache-Control' => 'public, max-age=0, must-revalidate', 'ETag' => "\"{$etag}\""];
        // Figures that follow their data move without anything being published.
        $headers += $page->moves ? [] : ['Last-Modified' => ($publishing->ended_at ?? Mementos::at($states->all->last() ?? $publishing))->format('D, d M Y H:i:s \G\M\T')];
        $response = new Response('', 200, $headers);
        if ($response->isNotModified($request)) {
            return $response;
        }

        return response()->view($page->view, [
            'title' => $publishing->title, 'publishing' => $publishing, 'item' => $item, 'isLive' => $publishing->id === $item->live_id, 'earlier' => $states->besides($publishing), ...$page->data,
        ], 200, $headers);
    }
}
