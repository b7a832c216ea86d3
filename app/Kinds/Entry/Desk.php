<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\User;
use App\Store\Proposed;
use App\Store\States;
use App\View\Desks\Desk as Plain;
use App\View\Plans\EntryProposals;
use Closure;
use Illuminate\Contracts\View\View;

/** An entry is answered again on a page of its own, with what was proposed for it beside. */
final class Desk extends Plain
{
    public function __construct(States $states, private readonly Proposed $proposed)
    {
        parent::__construct($states);
    }

    public function takesProposals(Item $item): bool
    {
        return false;
    }

    public function page(Item $item, User $person, array $asked, Closure $around): View
    {
        $own = Proposal::of($person, $item);
        $shown = $own === null ? null : $this->proposed->onto($own, $this->states->tree($item->root))->tree;

        $beside = EntryProposals::beside($item, $person);

        return view('kinds.entry.write', [
            'item' => $item->load('deleter'),
            'own' => $own,
            'beside' => $beside,
            'past' => array_values(array_filter($beside, fn (Proposal $proposal): bool => $proposal->state !== ProposalState::Waiting)),
            'view' => new EntryView($item, $this->states, is_array(old('a')) ? old('a') : null, $shown),
            ...$around(false),
        ]);
    }
}
