<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\BringInFile;
use App\Actions\ReadFile;
use App\Actions\Saved;
use App\Models\Item;
use App\Store\States;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Spreadsheet\Places;

/** A file as the newest version of an item. */
final class FileController extends Controller
{
    public function show(Item $item, States $states): View
    {
        Gate::authorize('write', $item);
        abort_if(in_array($item->kind, ['form', 'entry'], true), 404);

        return view('file', ['item' => $item, 'tabs' => $item->kind === 'spreadsheet' ? (new Places($states->tree($item->root)))->tabs : []]);
    }

    public function store(Request $request, Item $item, ReadFile $read, BringInFile $bring): RedirectResponse
    {
        Gate::authorize('write', $item);
        abort_if(in_array($item->kind, ['form', 'entry'], true), 404);
        $big = __('item.file_big', ['max' => (string) intdiv(ReadFile::MOST_KB, 1024)]);
        $sent = $request->validate(['file' => ['required', 'file', 'max:'.ReadFile::MOST_KB], 'tab' => ['nullable', 'string', 'max:24']], ['file.max' => $big, 'file.uploaded' => $big, 'file.required' => __('item.file_none')]);
        /** @var UploadedFile $file */
        $file = $request->file('file');
        $name = mb_substr(mb_scrub($file->getClientOriginalName()), 0, 120);
        try {
            $content = $read->handle($name, (string) $file->getContent(), $item->kind);
        } catch (Unreadable $e) {
            throw ValidationException::withMessages(['file' => __('item.file_unreadable', ['reason' => $e->getMessage()])]);
        }
        if ($content->kind->name() !== $item->kind) {
            throw ValidationException::withMessages(['file' => __('item.file_kind', ['is' => $content->kind->name(), 'wanted' => $item->kind])]);
        }
        $before = $item->head;
        $saved = $bring->handle($item, $this->person($request), $content, $name, $sent['tab'] ?? null);
        if (! $saved instanceof Saved) {
            throw ValidationException::withMessages(['file' => __('item.file_unreadable', ['reason' => __('problems.not_json')])]);
        }
        if ($saved->version->number === $before) {
            return redirect()->route('item.file', $item)->withErrors(['file' => __('item.file_same')]);
        }

        return redirect()->route('history', ['item' => $item, 'from' => $before, 'to' => $saved->version->number])->with('said', __('item.file_in', ['number' => (string) $saved->version->number]));
    }
}
