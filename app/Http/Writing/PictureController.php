<?php

declare(strict_types=1);

namespace App\Http\Writing;

use App\Http\Controller;
use App\Making\KeepPicture;
use App\Models\Item;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Store\ChunkStore;

final class PictureController extends Controller
{
    public function store(Request $request, Item $item, KeepPicture $keep): JsonResponse
    {
        Gate::authorize('write', $item);
        $most = (int) config('attic.picture');
        $file = $request->file('picture');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            return response()->json(['message' => __('item.picture_missing', ['max' => (string) intdiv($most, 1_048_576)])], 422);
        }
        if ($file->getSize() > $most) {
            return response()->json(['message' => __('item.picture_big', ['max' => (string) intdiv($most, 1_048_576)])], 413);
        }
        $picture = $keep->handle($item, $file->getContent());

        return $picture === null
            ? response()->json(['message' => __('item.picture_not')], 422)
            : response()->json(['chunk' => $picture->chunk, 'width' => $picture->width, 'height' => $picture->height]);
    }

    public function show(Request $request, Item $item, string $chunk, ChunkStore $chunks): Response
    {
        Gate::authorize('view', $item);
        $picture = $item->pictures()->where('chunk', $chunk)->whereNull('bytes')->firstOrFail();
        // A wish that waits may show one that was never published.
        abort_unless($item->sight === null || $picture->is_published || Gate::allows('publish', $item), 404);
        $address = (string) hex2bin($chunk);

        // A picture never changes, but whoever asks may have lost the right to it: it is asked for each time, and sent once.
        $known = new Response('', 200, ['ETag' => "\"{$chunk}\"", 'Cache-Control' => 'private, no-cache']);
        if ($known->isNotModified($request)) {
            return $known;
        }

        return response($chunks->read([$address])[$address] ?? abort(404), 200, [
            'Content-Type' => $picture->type,
            ...($picture->type === 'application/pdf' ? ['Content-Disposition' => 'attachment; filename="file.pdf"'] : []),
            'ETag' => "\"{$chunk}\"",
            'Cache-Control' => 'private, no-cache',
            'Content-Security-Policy' => "default-src 'none'; sandbox",
        ]);
    }
}
