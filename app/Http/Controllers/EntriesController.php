<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Item;
use App\Store\States;
use App\View\EntryList;
use App\View\EntrySums;
use App\View\EntryTable;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;

/** What was answered: the entries as a list, summed up, and as files. */
final class EntriesController extends Controller
{
    public function __construct(private readonly States $states) {}

    public function show(Request $request, Item $item): View
    {
        Gate::authorize('entries', $item);

        return view('entries', ['item' => $item, 'list' => $this->list($request, $item)]);
    }

    public function sums(Item $item): View
    {
        Gate::authorize('entries', $item);

        return view('entries-sums', ['item' => $item, 'sums' => new EntrySums($item, $this->states->tree($item->root))]);
    }

    /** The mail that would have been sent to those who answered. */
    public function outbox(Item $item): View
    {
        Gate::authorize('entries', $item);

        return view('outbox', ['item' => $item, 'mails' => DB::table('mails')->where('item_id', $item->id)->orderByDesc('id')->paginate(50)]);
    }

    public function download(Request $request, Item $item, string $format): Response
    {
        Gate::authorize('entries', $item);
        $table = new EntryTable($this->list($request, $item));
        $name = (Str::slug($item->title) ?: 'form').'-entries.'.$format;

        return response(match ($format) {
            'csv' => $table->csv(),
            'xlsx' => $table->xlsx(),
            default => $table->json(),
        }, 200, [
            'Content-Type' => ['csv' => 'text/csv; charset=utf-8', 'xlsx' => 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet', 'json' => 'application/json'][$format],
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
        ]);
    }

    private function list(Request $request, Item $item): EntryList
    {
        $sent = $request->validate(['sort' => ['nullable', 'string', 'max:24'], 'down' => ['nullable', 'boolean'], 'find' => ['nullable', 'string', 'max:200'], 'gone' => ['nullable', 'boolean'], 'in' => ['nullable', 'string', 'max:24']]);

        return new EntryList($item, $this->states->tree($item->root), $sent['sort'] ?? 'number', (bool) ($sent['down'] ?? ! isset($sent['sort'])), trim((string) ($sent['find'] ?? '')), (bool) ($sent['gone'] ?? false), $sent['in'] ?? '');
    }
}
