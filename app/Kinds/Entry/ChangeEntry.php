<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\User;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Saving\Unfit;
use App\Saving\UnknownBase;
use App\Store\Proposed;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\PartTree;

/** Changes an entry from the state that was shown: what was agreed to, with what the person had proposed for it already. */
final readonly class ChangeEntry
{
    public function __construct(private States $states, private Proposed $proposed, private SaveState $save) {}

    /**
     * What the person was shown.
     *
     * @param  string  $base  root of what was agreed to
     */
    public function shown(string $base, ?Proposal $own): PartTree
    {
        $agreed = $this->states->tree($base);

        return $own === null ? $agreed : $this->proposed->onto($own, $agreed)->tree;
    }

    /**
     * @param  Proposal|null  $own  that was shown in it; if it waits still, the new one takes its place
     * @param  callable(PartTree): PartTree  $edit  writes what was touched into a state
     */
    public function handle(Item $entry, User $person, string $base, ?Proposal $own, callable $edit, string $client): Saved|UnknownBase|Unfit
    {
        return DB::transaction(function () use ($entry, $person, $base, $own, $edit, $client): Saved|UnknownBase|Unfit {
            // What was answered meanwhile is not proposed once more.
            $goesOn = $own?->refresh()->state === ProposalState::Waiting ? $own : null;
            $saved = $this->save->handle($entry, $person, new Sent($base, $edit($this->shown($base, $goesOn)), $client, keep: true));
            if ($saved instanceof Saved && $goesOn !== null) {
                $goesOn->update(['state' => ProposalState::Withdrawn, 'decider_id' => $person->id, 'decided_at' => now()]);
            }

            return $saved;
        });
    }
}
