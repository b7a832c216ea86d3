<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Http\Controller;
use App\Models\Item;
use App\Models\User;
use App\Restoring\SomebodysEdits;
use App\Restoring\TakeOutEdits;
use App\Store\States;
use App\View\Phrases;
use App\View\Plans\TakeOutPlan;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** What one person changed over many entries, looked through and taken out together. */
final class EntryChangesController extends Controller
{
    /** Entries of which it is told that something stayed, and why. */
    private const MOST_TOLD = 30;

    public function __construct(
        private readonly Phrases $phrases,
        private readonly States $states,
        private readonly TakeOutEdits $takeOut,
    ) {}

    public function show(EntryChangesRequest $request, Item $item): View
    {
        $editors = EntryChanges::editors($item);
        // What stayed so far is told at the end.
        $request->session()->has('going') && $request->session()->keep(['stayed']);
        $changes = $this->changes($request, $item, ($editors[0] ?? null)[0] ?? null);

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
        $changes = $this->changes($request, $item, null) ?? abort(404);
        $all = $request->boolean('all');
        $of = $all ? (int) ($sent['of'] ?? 0) ?: $changes->count() : 0;
        $lines = $changes->next((int) ($sent['after'] ?? 0), $all ? TakeOutOfEntriesRequest::AT_ONCE : PHP_INT_MAX);
        if (! $all) {
            $ticked = Item::query()->whereIn('key', $sent['entries'])->pluck('id')->flip();
            $lines = array_values(array_filter($lines, fn (array $line) => $ticked->has($line[0])));
        }
        [$done, $stayed] = $this->takeOut($request, $item, $changes, $lines);
        $done += (int) ($sent['done'] ?? 0);
        $stayed = array_slice([...(array) $request->session()->get('stayed', []), ...$stayed], 0, self::MOST_TOLD);
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

    /**
     * @param  list<array{int, int, int}>  $lines
     * @return array{int, list<array{string, string, string, string}>} how many, and what stayed: address and name of the entry, part, why
     */
    private function takeOut(Request $request, Item $form, EntryChanges $changes, array $lines): array
    {
        $person = $this->person($request);
        $done = 0;
        $stayed = [];
        foreach ($lines as [$id, $from, $to]) {
            $entry = Item::query()->findOrFail($id)->setRelation('form', $form)->setRelation('shelf', $form->shelf);
            $edits = new SomebodysEdits($changes->author, $from, $to);
            $merged = count($stayed) < self::MOST_TOLD ? $this->takeOut->rehearse($entry, $edits) : null;
            $plan = $merged === null ? null : new TakeOutPlan($entry, $this->states->tree($entry->root), $merged, $this->phrases);
            foreach ($plan->stays ?? [] as [$name, $why]) {
                $stayed[] = [route('item', $entry), $entry->title, $name, $why];
            }
            // Each is a step of its own: what is done is done, whatever meets the next.
            $done += $this->takeOut->handle($entry, $edits, $person, $entry->head) === null ? 0 : 1;
        }

        return [$done, $stayed];
    }

    private function changes(EntryChangesRequest $request, Item $item, ?User $else): ?EntryChanges
    {
        $sent = $request->validated();
        $author = isset($sent['by']) ? User::query()->find((int) $sent['by']) : $else;
        $moment = fn (?string $text, string $step): ?CarbonImmutable => $text === null || $text === ''
            ? null
            : CarbonImmutable::parse($text)->modify(strlen($text) === 10 ? "{$step} day" : "{$step} minute");

        // Both ends are in: the day, or the minute.
        return $author === null
            ? null
            : new EntryChanges($item, $author, $moment($sent['since'] ?? null, '+0'), $moment($sent['until'] ?? null, '+1'));
    }
}
