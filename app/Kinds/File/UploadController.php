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

/** Files for a shelf: whether one of a name is there, and one that comes whole, from browsers without scripts. */
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

        return redirect(SliceController::after($done, $item !== null));
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
}
