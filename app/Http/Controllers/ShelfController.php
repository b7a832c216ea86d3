<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\MakeItem;
use App\Models\HeldEdit;
use App\Models\Shelf;
use App\View\Phrases;
use App\View\ShelfView;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\DocumentFormat;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Limits;

final class ShelfController extends Controller
{
    /** A file that a document is made from. */
    private const MOST_KB = 10_240;

    public function index(Request $request): RedirectResponse|View
    {
        $first = $this->person($request)->shelves()->first();

        return $first === null ? view('no-shelf') : redirect()->route('shelf', $first);
    }

    public function show(Request $request, Shelf $shelf, Phrases $phrases): View
    {
        Gate::authorize('view', $shelf);

        return view('shelf', [
            'shelf' => $shelf,
            'view' => new ShelfView($shelf),
            'phrases' => $phrases,
            'held' => HeldEdit::query()->waitingFor($this->person($request))->whereIn('item_id', $shelf->items()->select('id'))->with('item', 'met')->orderBy('id')->get(),
        ]);
    }

    public function store(Request $request, Shelf $shelf, MakeItem $make): RedirectResponse
    {
        Gate::authorize('make', $shelf);
        $sent = $request->validate([
            'title' => ['nullable', 'string', 'max:'.config('attic.title')],
            'file' => ['nullable', 'file', 'max:'.self::MOST_KB],
        ], ['file.max' => __('item.file_big', ['max' => (string) intdiv(self::MOST_KB, 1024)]), 'file.uploaded' => __('item.file_big', ['max' => (string) intdiv(self::MOST_KB, 1024)])]);
        $file = $request->file('file');
        $title = trim((string) ($sent['title'] ?? ''));
        if ($title === '' && $file instanceof UploadedFile) {
            $title = mb_substr(trim(mb_scrub(pathinfo($file->getClientOriginalName(), PATHINFO_FILENAME))), 0, (int) config('attic.title'));
        }

        return redirect()->route('item', $make->handle(
            $shelf,
            $this->person($request),
            'document',
            $title === '' ? __('item.untitled') : $title,
            content: $file instanceof UploadedFile ? $this->content($file) : null,
        ));
    }

    /** @throws ValidationException when the file is no document that can be read */
    private function content(UploadedFile $file): Content
    {
        try {
            $format = FileFormat::ofPath($file->getClientOriginalName());
            if (DocumentFormat::tryFrom($format->value) === null || $format === FileFormat::Text) {
                throw Unreadable::because(__('item.file_not', ['formats' => 'Markdown, HTML, ODT, DOCX']));
            }
            $content = $format->reader()->read((string) $file->getContent(), new FormatLimits(bytes: self::MOST_KB * 1024, unpacked: 134_217_728, tree: 8_388_608, parts: (new Limits)->parts));
        } catch (Unreadable $e) {
            throw ValidationException::withMessages(['file' => __('item.file_unreadable', ['reason' => $e->getMessage()])]);
        }
        $sent = json_decode((string) json_encode(array_map(fn (Part $part) => $part->toJson(), $content->tree->parts)), true);
        $problems = $content->kind->read($sent, new Limits)->problems;
        if ($problems !== []) {
            throw ValidationException::withMessages(['file' => __("problems.{$problems[0]->code}", $problems[0]->variables)]);
        }

        return $content;
    }
}
