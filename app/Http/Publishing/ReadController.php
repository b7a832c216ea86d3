<?php

declare(strict_types=1);

namespace App\Http\Publishing;

use App\Http\Controller;
use App\Models\Item;
use App\View\Mementos;
use App\View\Readers\ForReaders;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use MistyAttic\Core\Store\ChunkStore;

/**
 * What is published, for everybody who has the address: without signing in, without JavaScript, without a cookie. Every
 * address is its own TimeGate (RFC 7089, 4.1.1, pattern 1.1): asked for a moment, it leads to what was live then.
 */
final class ReadController extends Controller
{
    /** A date as in RFC 7089, 2.1.1. */
    private const DATE = 'D, d M Y H:i:s \G\M\T';

    public function show(Request $request, string $address): Response
    {
        $readers = (Item::query()->where('address', $address)->first() ?? abort(404))->room(ForReaders::class);
        if (! $readers::IS_PAGE) {
            return $readers->instead($address, is_string($request->query('kept')) ? $request->query('kept') : null);
        }
        $states = new Mementos(PublishedPage::item($address));
        $headers = ['Vary' => 'Accept-Datetime', 'Link' => $states->links(null)];
        $asked = $request->headers->get('Accept-Datetime');
        if ($asked !== null) {
            return $this->atMoment($states, trim($asked), $headers);
        }

        return PublishedPage::answer($request, $states, $states->all->firstWhere('id', $states->item->live_id) ?? abort(404), $headers);
    }

    public function picture(string $address, string $chunk, ChunkStore $chunks): Response
    {
        $picture = PublishedPage::item($address)
            ->pictures()
            ->where(['chunk' => $chunk, 'is_public' => true])
            ->whereNull('bytes')
            ->firstOrFail();
        $bytes = (string) hex2bin($chunk);

        return response($chunks->read([$bytes])[$bytes] ?? abort(404), 200, [
            'Content-Type' => $picture->type,
            'Cache-Control' => 'public, max-age=3600',
            'Content-Security-Policy' => "default-src 'none'; sandbox",
        ]);
    }

    /** @param array<string, string> $headers */
    private function atMoment(Mementos $states, string $asked, array $headers): Response
    {
        $moment = DateTimeImmutable::createFromFormat('!'.self::DATE, $asked, new DateTimeZone('UTC'));
        if ($moment === false || $moment->format(self::DATE) !== $asked) {
            $said = "Accept-Datetime is a date as in RFC 7089, 2.1.1: “Thu, 31 May 2026 20:35:00 GMT”.\n";

            return response($said, 400, ['Content-Type' => 'text/plain; charset=utf-8', ...$headers]);
        }
        $found = $states->around($moment->getTimestamp());
        // In a gap nothing was live.
        if ($found->ended_at !== null && $found->ended_at->getTimestamp() <= $moment->getTimestamp()) {
            return response()->view('errors.404', ['said' => __('publishing.gap')], 404, $headers);
        }

        return response('', 302, ['Location' => $states->address($found), ...$headers, 'Cache-Control' => PublishedPage::CACHED]);
    }
}
