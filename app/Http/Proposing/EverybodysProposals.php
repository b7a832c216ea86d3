<?php

declare(strict_types=1);

namespace App\Http\Proposing;

use App\Http\Restoring\HowItWillBe;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\View\HistoryAddress;
use App\View\Phrases;
use App\View\Proposals\Everybody;
use App\View\Proposals\MayAnswer;
use App\View\Proposals\OpenProposals;
use App\View\Proposals\WouldBe;
use Illuminate\Http\Response;

/** What all propose for an item, side by side in its newest state. */
final readonly class EverybodysProposals
{
    public function __construct(private HowItWillBe $page, private WouldBe $would, private Phrases $phrases) {}

    /** @param array<string, mixed> $around */
    public function shown(ProposalsRequest $request, User $person, OpenProposals $open, Version $newest, array $around): Response
    {
        $item = $newest->item;
        $request->merge(['from' => $newest->number, 'to' => $newest->number, 'view' => 'was']);
        $address = HistoryAddress::read($request, $item, fn (): int => $newest->number)->on('proposals', [
            'of' => 'everybody',
            'at' => $open->at,
        ]);
        $all = null;
        $becomes = function (States $states) use ($open, $newest, &$all): Version {
            $all = new Everybody($open, $newest, $states, $this->would->proposed, $this->phrases);

            return $newest;
        };

        return $this->page->drawn($item, $person, $newest, $becomes, $address, 'proposals-everybody', function () use (
            $item,
            $open,
            $around,
            $newest,
            &$all,
        ): array {
            $answers = (new MayAnswer($item, $open))->toEach($all->shown ?? []);

            return [...$around, 'chosen' => null, 'newest' => $newest, 'all' => $all, 'answers' => $answers];
        }) ?? abort(404);
    }
}
