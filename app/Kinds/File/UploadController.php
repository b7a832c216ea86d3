<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Shelf;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Kinds\File\FileKind;

/** Files on their way to a shelf: begun, sent slice by slice, and finished; or whole, by browsers without scripts. */
final class UploadController extends Controller
{
    public function __construct(private readonly ReceiveFile $receive) {}

    public function create(Shelf $shelf): View
    {
        Gate::authorize('make', $shelf);

        return view('kinds.file.new', ['shelf' => $shelf]);
    }

    /** A file that came whole. */
    public function send(SendFileRequest $request, Shelf $shelf): RedirectResponse
    {
        $file = $request->file('file');
        abort_unless($file instanceof UploadedFile, 422);
        $item = $request->next();
        $done = $this->receive->whole($shelf, $this->person($request), $file->getClientOriginalName(), (string) $file->getContent(), $item);

        return redirect($this->after($done, $item !== null));
    }

    public function begin(UploadRequest $request, Shelf $shelf): JsonResponse
    {
        $sent = $request->validated();
        $upload = $this->receive->begin($shelf, $this->person($request), $sent['name'], (int) $sent['size'], $request->next());

        return response()->json(['url' => route('upload', $upload), 'slice' => ReceiveFile::SLICE]);
    }

    /** The files of that name that are there already: somebody says whether it is the next version of one. */
    public function named(Request $request, Shelf $shelf): JsonResponse
    {
        Gate::authorize('make', $shelf);
        $found = Item::query()
            ->standing()
            ->where(['shelf_id' => $shelf->id, 'kind' => (new FileKind)->name(), 'title' => $this->text($request, 'name')])
            ->orderByDesc('changed_at')
            ->first(['id', 'key', 'title', 'head']);

        return response()->json(
            $found === null
                ? ['found' => null]
                : [
                    'found' => $found->key,
                    'said' => __('file.there_already', ['name' => $found->title, 'number' => (string) ($found->head + 1)]),
                ],
        );
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

        return response()->json(['to' => $this->after($this->receive->finish($upload, $this->person($request)), $isNext)]);
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

    private function after(Item $item, bool $isNext): string
    {
        return $isNext && $item->head > 1
            ? route('history', ['item' => $item, 'from' => $item->head - 1, 'to' => $item->head])
            : route('item', $item);
    }
}
