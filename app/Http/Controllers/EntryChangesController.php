<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\TakeOutEdits;
use App\Models\Item;
use App\Models\User;
use App\View\EntryChanges;
use App\View\Phrases;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

/** What one person changed over many entries, looked through and taken out together. */
final class EntryChangesController extends Controller
{
    public function __construct(private readonly Phrases $phrases) {}

    public function show(Request $request, Item $item): View
    {
        Gate::authorize('entries', $item);
        $editors = EntryChanges::editors($item);

        return view('entries-changes', ['item' => $item, 'editors' => $editors, 'changes' => $this->changes($request, $item), 'mayTakeOut' => Gate::allows('restore', $item)]);
    }

    /** All of it or nothing: the entries that are ticked, as they are now, without what that person wrote in that time. */
    public function store(Request $request, Item $item, TakeOutEdits $takeOut): RedirectResponse
    {
        Gate::authorize('entries', $item);
        Gate::authorize('restore', $item);
        $ticked = $request->validate(['entries' => ['required', 'array', 'max:'.EntryChanges::MOST], 'entries.*' => ['string', 'max:40']], ['entries.required' => __('form.changes.none')])['entries'];
        $changes = $this->changes($request, $item) ?? abort(404);
        $person = $this->person($request);
        $done = DB::transaction(function () use ($changes, $ticked, $takeOut, $person): int {
            $done = 0;
            foreach ($changes->lines as $line) {
                if (in_array($line['entry']->key, $ticked, true)) {
                    $done += $takeOut->handle($line['entry'], $line['from'], $line['to'], $changes->author, $person, $line['entry']->head) === null ? 0 : 1;
                }
            }

            return $done;
        });

        return redirect()->route('entries', ['item' => $item, 'sort' => 'changed', 'down' => 1])->with('said', trans_choice('form.changes.done', $done, ['count' => (string) $done, 'who' => $changes->author->firstName()]));
    }

    private function changes(Request $request, Item $item): ?EntryChanges
    {
        $sent = $request->validate(['by' => ['nullable', 'integer'], 'since' => ['nullable', 'date_format:Y-m-d'], 'until' => ['nullable', 'date_format:Y-m-d']]);
        $author = isset($sent['by']) ? User::query()->find((int) $sent['by']) : null;

        return $author === null ? null : new EntryChanges($item, $author, $sent['since'] ?? '', $sent['until'] ?? '', $this->phrases, ! $item->shelf->asks_entries || $item->shelf->letsPublish($this->person($request)));
    }
}
