<?php

declare(strict_types=1);

namespace App\Http\Publishing;

use App\Models\Item;
use App\Models\Publishing;
use App\View\Mementos;
use App\View\Readers\ForReaders;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Vite;

/** A published state as a page for everybody: a client that has it gets it only once. */
final class PublishedPage
{
    private const CONTENT_POLICY = "default-src 'none'; style-src 'self'; font-src 'self'; img-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";

    /** Asked for again each time, and answered in short when it is the same. */
    public const CACHED = 'public, max-age=0, must-revalidate';

    /** An item that the public may read now as a page. */
    public static function item(string $address): Item
    {
        $item = Item::query()->public($address)->firstOrFail();
        abort_unless($item->room(ForReaders::class)::IS_PAGE, 404);

        return $item;
    }

    /** @param array<string, string> $headers */
    public static function answer(Request $request, Mementos $states, Publishing $publishing, array $headers): Response
    {
        $item = $states->item;
        $picture = fn (string $chunk): string => route('read.picture', [$item->address, $chunk], false);
        $page = $item->room(ForReaders::class)->page($publishing->setRelation('item', $item), $picture);
        $etag = hash('sha256', implode('|', [
            $publishing->version->root, $publishing->title, $publishing->id, $publishing->ended_at?->getTimestamp(),
            $states->all->count(), json_encode($page->shows), Vite::manifestHash(),
        ]));
        $headers += [
            'Content-Security-Policy' => self::CONTENT_POLICY.($page->scripts ? "; script-src 'self'" : ''),
            'Cache-Control' => self::CACHED,
            'ETag' => "\"{$etag}\"",
        ];
        if (! $page->moves) {
            // Figures that follow their data move without anything being published.
            $changed = $publishing->ended_at ?? Mementos::at($states->all->last() ?? $publishing);
            $headers['Last-Modified'] = $changed->format('D, d M Y H:i:s \G\M\T');
        }
        $response = new Response('', 200, $headers);
        if ($response->isNotModified($request)) {
            return $response;
        }

        return response()->view($page->view, [
            'title' => $publishing->title,
            'publishing' => $publishing,
            'item' => $item,
            'isLive' => $publishing->id === $item->live_id,
            'earlier' => $states->besides($publishing),
            ...$page->data,
        ], 200, $headers);
    }
}
