<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\BringInFile;
use App\Actions\ReadFile;
use App\Actions\ReadSource;
use App\Actions\Saved;
use App\Actions\TakeInData;
use App\Actions\Unfit;
use App\Actions\UnknownBase;
use App\Http\ReceivedFile;
use App\Http\Requests\BringFileRequest;
use App\Models\Item;
use App\Store\States;
use App\View\LeftOutWords;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Spreadsheet\Places;

/** A file as the newest version of an item. */
final class FileController extends Controller
{
    public function __construct(private readonly ReadFile $read, private readonly BringInFile $bring, private readonly ReadSource $sources, private readonly TakeInData $take) {}

    public function show(Item $item, States $states): View
    {
        $this->authorizeFile($item);

        return view('file', ['item' => $item, 'endings' => '.'.implode(',.', FileFormat::endings($item->kind)), 'tabs' => $item->hasTabs() ? (new Places($states->tree($item->root)))->tabs : []]);
    }

    public function store(BringFileRequest $request, Item $item): RedirectResponse|View
    {
        $this->authorizeFile($item);
        $sent = $request->validated();
        $file = ReceivedFile::of($request) ?? abort(422);
        $before = $item->head;
        try {
            $saved = $this->brought($request, $item, $file, $sent['tab'] ?? null);
            if ($saved instanceof View) {
                return $saved;
            }
        } catch (Unreadable $e) {
            throw ValidationException::withMessages(['file' => __('item.file_unreadable', ['reason' => $e->getMessage()])]);
        }
        if (! $saved instanceof Saved) {
            throw ValidationException::withMessages(['file' => __('item.file_unreadable', ['reason' => __('problems.not_json')])]);
        }
        if ($saved->version->number === $before) {
            return redirect()->route('item.file', $item)->withErrors(['file' => __('item.file_same')]);
        }

        return redirect()->route('history', ['item' => $item, 'from' => $before, 'to' => $saved->version->number])->with('said', __('item.file_in', ['number' => (string) $saved->version->number]));
    }

    /** @throws Unreadable */
    private function brought(Request $request, Item $item, ReceivedFile $file, ?string $tab): Saved|Unfit|UnknownBase|View
    {
        $isItem = FileFormat::ofPath($file->name) === FileFormat::Json && ($item->kind !== 'dataset' || ReadSource::isItem($file->bytes));
        if ($item->kind === 'dataset' && ! $isItem) {
            return $this->take->again($item, $this->person($request), $this->sources->file($file->name, $file->bytes, encoding: $file->encoding), $file->name);
        }
        $content = $this->read->handle($file->name, $file->bytes, $item->kind, $file->encoding);
        if ($content->kind->name() !== $item->kind) {
            throw ValidationException::withMessages(['file' => __('item.file_kind', ['is' => $content->kind->name(), 'wanted' => $item->kind])]);
        }

        if ($content->left !== [] && ! $request->boolean('sure')) {
            return view('left-out', [...$file->again($request), 'left' => LeftOutWords::all($content->left)]);
        }

        return $this->bring->handle($item, $this->person($request), $content, $file->name, $tab, hasIds: $isItem, left: LeftOutWords::note($content->left));
    }

    private function authorizeFile(Item $item): void
    {
        Gate::authorize('write', $item);
        abort_unless($item->takesFiles(), 404);
    }
}
