<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Models\Item;
use App\Restoring\SomebodysEdits;
use App\Restoring\TakeOutEdits;
use App\Store\States;
use App\View\Phrases;
use App\View\Plans\TakeOutPlan;

/** The lines that somebody ticked of the plan of taking out, as the changes back. */
final readonly class TickedEdits
{
    public function __construct(private TakeOutEdits $takeOut, private States $states, private Phrases $phrases) {}

    /** @return list<string>|null null for all of them, and where the newest version is another one than was looked at */
    public function of(TakeOutRequest $request, Item $item, SomebodysEdits $edits): ?array
    {
        $sent = $request->validated();
        $ticked = array_values(array_unique(array_map(intval(...), $sent['pick'] ?? [])));
        if (! isset($sent['lines']) || count($ticked) >= (int) $sent['lines'] || $item->head !== $request->seen()) {
            return null;
        }
        $merged = $this->takeOut->rehearse($item, $edits);

        return $merged === null ? null : (new TakeOutPlan($item, $this->states->tree($item->root), $merged, $this->phrases))->keys($ticked);
    }
}
