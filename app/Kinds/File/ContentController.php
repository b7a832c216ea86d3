<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Http\Controller;
use App\Models\Item;
use App\View\Sources\Files as AnyFiles;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The picture that a version of a file is. Nothing else is shown, and nothing of it ever runs. */
final class ContentController extends Controller
{
    public function __invoke(Request $request, Item $item, int $number): Response|StreamedResponse
    {
        Gate::authorize('view', $item);
        $files = $item->room(AnyFiles::class);
        abort_unless($files instanceof Files, 404);
        $file = $files->at($this->version($item, $number)->root);
        abort_unless($file->isPicture(), 404);
        $known = new Response('', 200, ['ETag' => "\"{$file->sha256}\"", 'Cache-Control' => 'private, no-cache']);
        if ($known->isNotModified($request)) {
            return $known;
        }

        return response()->stream(
            function () use ($file): void {
                foreach ($file->stream() as $piece) {
                    echo $piece;
                }
            },
            200,
            [
                'Content-Type' => $file->media,
                'Content-Length' => (string) $file->size,
                'ETag' => "\"{$file->sha256}\"",
                'Cache-Control' => 'private, no-cache',
                'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'; sandbox",
                'X-Content-Type-Options' => 'nosniff',
            ],
        );
    }
}
