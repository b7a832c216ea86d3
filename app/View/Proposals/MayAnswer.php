<?php

declare(strict_types=1);

namespace App\View\Proposals;

use App\Models\Item;
use App\Models\Proposal;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\HtmlString;

/** How whoever looks at proposals may answer them. What stood earlier is not answered any more. */
final readonly class MayAnswer
{
    public function __construct(private Item $item, private OpenProposals $open) {}

    /** @return array{decides: bool, own: bool} whether they may say yes and no to it, and whether it is theirs */
    public function to(Proposal $proposal): array
    {
        if ($this->open->at !== null) {
            return ['decides' => false, 'own' => false];
        }
        $isTheirs = $proposal->said_by === null && $proposal->user_id === auth()->id();

        return ['decides' => Gate::allows('decide', [$this->item, $proposal]), 'own' => $isTheirs && Gate::allows('propose', $this->item)];
    }

    /**
     * @param  list<Proposal>  $proposals
     * @return array<int, array{decides: bool, own: bool, sign: HtmlString}> by their ids, with the sign of who proposes
     */
    public function toEach(array $proposals): array
    {
        $answers = [];
        foreach ($proposals as $proposal) {
            $sign = view('components.proposer', ['proposal' => $proposal])->render();
            $answers[$proposal->id] = [...$this->to($proposal), 'sign' => new HtmlString($sign)];
        }

        return $answers;
    }
}
