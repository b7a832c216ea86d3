<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Shelf;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** A file on its way to a shelf: begun, sent slice by slice, and finished or stopped. */
final class SliceController extends Controller
{
    public function __construct(private readonly ReceiveFile $receive) {}

    public function begin(UploadRequest $request, Shelf $shelf): JsonResponse
    {
        $sent = $request->validated();
        $upload = $this->receive->begin($shelf, $this->person($request), $sent['name'], (int) $sent['size'], $request->next());

        return response()->json(['url' => route('upload', $upload), 'slice' => ReceiveFile::SLICE]);
    }

    public function slice(Request $request, Upload $upload): JsonResponse
    {
        $this->own($request, $upload);

        return response()->json([
            'got' => $this->receive->slice($upload, (int) $request->query('at', '0'), (string) $request->getContent()),
        ]);
    }

    public function finish(Request $request, Upload $upload): JsonResponse
    {
        $this->own($request, $upload);
        $isNext = $upload->item_id !== null;

        return response()->json(['to' => self::after($this->receive->finish($upload, $this->person($request)), $isNext)]);
    }

    public function destroy(Request $request, Upload $upload): JsonResponse
    {
        $this->own($request, $upload);
        $upload->delete();

        return response()->json([]);
    }

    /** Who began it goes on with it, as long as they may. */
    private function own(Request $request, Upload $upload): void
    {
        abort_unless($upload->user_id === $this->person($request)->id, 404);
        $upload->item === null ? Gate::authorize('make', $upload->shelf) : Gate::authorize('write', $upload->item);
    }

    /** Where one goes on: at what is different from the version before, or at a new file. */
    public static function after(Item $item, bool $isNext): string
    {
        return $isNext && $item->head > 1
            ? route('history', ['item' => $item, 'from' => $item->head - 1, 'to' => $item->head])
            : route('item', $item);
    }
}
