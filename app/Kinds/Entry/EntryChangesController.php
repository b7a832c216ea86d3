<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Http\Controller;
use App\Models\Item;
use App\Restoring\TakeOutEdits;
use App\Store\States;
use App\View\Phrases;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Gate;

/** What one person changed over many entries, looked through and taken out together. */
final class EntryChangesController extends Controller
{
    public function __construct(
        private readonly Phrases $phrases,
        private readonly States $states,
        private readonly TakeOutEdits $takeOut,
        private readonly TakeOutOfEntries $ofEntries,
    ) {}

    public function show(EntryChangesRequest $request, Item $item): View
    {
        $editors = EntryChanges::editors($item);
        // What stayed so far is told at the end.
        $request->session()->has('going') && $request->session()->keep(['stayed']);
        $changes = $request->changes(($editors[0] ?? null)[0] ?? null);

        return view('kinds.entry.all-changes', [
            'item' => $item,
            'editors' => $editors,
            'changes' => $changes?->read($this->person($request), $this->states, $this->takeOut, $this->phrases),
            'mayTakeOut' => Gate::allows('restore', $item),
            'asked' => ['item' => $item, 'by' => $changes?->author->id, ...$request->only('since', 'until')],
        ]);
    }

    /** Takes it out of the entries that are ticked, or of all of them in pieces: where one ended, the page goes on from. */
    public function store(TakeOutOfEntriesRequest $request, Item $item): RedirectResponse
    {
        $sent = $request->validated();
        $changes = $request->changes() ?? abort(404);
        $all = $request->boolean('all');
        $of = $all ? (int) ($sent['of'] ?? 0) ?: $changes->count() : 0;
        $lines = $changes->next((int) ($sent['after'] ?? 0), $all ? TakeOutOfEntriesRequest::AT_ONCE : PHP_INT_MAX);
        if (! $all) {
            $ticked = Item::query()->whereIn('key', $sent['entries'])->pluck('id')->flip();
            $lines = array_values(array_filter($lines, fn (array $line) => $ticked->has($line[0])));
        }
        $taken = $this->ofEntries->handle($item, $changes, $lines, $this->person($request));
        $done = $taken->done + (int) ($sent['done'] ?? 0);
        $stayed = array_slice([...(array) $request->session()->get('stayed', []), ...$taken->stayed], 0, TakeOutOfEntries::MOST_TOLD);
        $back = redirect()
            ->route('entries.changes', ['item' => $item, 'by' => $changes->author->id, ...$request->only('since', 'until')])
            ->with('stayed', $stayed);
        $last = $lines === [] ? 0 : $lines[count($lines) - 1][0];
        if ($all && $lines !== [] && $changes->next($last, 1) !== []) {
            return $back->with('going', ['after' => $last, 'done' => $done, 'of' => $of]);
        }

        return $back->with(
            'said',
            trans_choice(
                $item->shelf->wantsYesOf($this->person($request), $item->entries()->firstOrFail())
                    ? 'form.changes.proposed'
                    : 'form.changes.done',
                $done,
                ['count' => (string) $done, 'who' => $changes->author->firstName()],
            ),
        );
    }
}
