<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Models\Item;
use App\Models\User;
use App\Restoring\SomebodysEdits;
use App\Restoring\TakeOutEdits;
use App\Store\States;
use App\View\Phrases;
use App\View\Plans\TakeOutPlan;

/** Takes what somebody changed out of many entries. Each is a step of its own: what is done is done, whatever meets the next. */
final readonly class TakeOutOfEntries
{
    /** Entries of which it is told that something stayed, and why. */
    public const MOST_TOLD = 30;

    public function __construct(private Phrases $phrases, private States $states, private TakeOutEdits $takeOut) {}

    /** @param list<array{int, int, int}> $lines entries by id, with the first and the last version of what was changed in them */
    public function handle(Item $form, EntryChanges $changes, array $lines, User $person): TakenOut
    {
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
            $done += $this->takeOut->handle($entry, $edits, $person, $entry->head) === null ? 0 : 1;
        }

        return new TakenOut($done, $stayed);
    }
}
