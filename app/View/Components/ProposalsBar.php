<?php

declare(strict_types=1);

namespace App\View\Components;

use App\Models\Item;
use App\Models\Proposal;
use App\View\Proposals\OpenProposals;
use Illuminate\Contracts\Auth\Access\Gate;
use Illuminate\Contracts\View\View;
use Illuminate\View\Component;

/** Who proposes something for an item, and how it is looked at: as it is, with what is proposed, or as it would be. */
final class ProposalsBar extends Component
{
    /** Null for whom nothing is shown of it. */
    public readonly ?OpenProposals $open;

    /** @param 'is'|'with'|'would'|'everybody' $look */
    public function __construct(
        Gate $gate,
        public readonly Item $item,
        ?OpenProposals $open = null,
        public readonly ?Proposal $chosen = null,
        public readonly string $look = 'is',
    ) {
        $this->open = $open ?? ($gate->allows('talk', $item) ? new OpenProposals($item) : null);
    }

    /**
     * @param  int|'everybody'|null  $of  a proposal; null for the one that is chosen
     * @param  string|null  $look  null for the plain one
     */
    public function address(int|string|null $of = null, ?string $look = null): string
    {
        return route('proposals', [
            'item' => $this->item,
            ...array_filter(
                ['of' => $of ?? $this->chosen?->id, 'look' => $look, 'at' => $this->open?->at],
                fn (int|string|null $value): bool => $value !== null,
            ),
        ]);
    }

    public function render(): View
    {
        return view('components.proposals-bar');
    }
}
