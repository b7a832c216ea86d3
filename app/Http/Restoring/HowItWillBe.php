<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\ChunksAhead;
use App\Store\States;
use App\View\HistoryAddress;
use App\View\LookedAt;
use App\View\Past;
use App\View\Phrases;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The second face of a plan: the item as it will be, held against how it is now. Nothing is written. */
final readonly class HowItWillBe
{
    public function __construct(private Phrases $phrases) {}

    /**
     * @param  \Closure(States): ?Version  $becomes  what it will be, kept in the states that are given; null when that can't be told
     * @param  array{said: string, note: string|null, plan: string, seen: string, store: string, do: string, hidden: list<array{string, int|string}>}  $door  in words what will be, and what there is to know beside it; the addresses of the plan, of this page and of what does it; the word on the button, and what it sends
     */
    public function show(Request $request, Item $item, User $person, Version $newest, \Closure $becomes, array $door): ?Response
    {
        // What it would be is kept nowhere but here, and whoever reads states meanwhile finds it there; nobody else, and nothing later.
        $states = new States(app(ChunksAhead::class));
        app()->instance(States::class, $states);
        try {
            $to = $becomes($states);
            if ($to === null) {
                return null;
            }
            $address = HistoryAddress::read($request->merge(['from' => $newest->number, 'to' => $to->number, 'view' => 'changed']), $item, fn () => $newest->number);
            $past = $item->room(Past::class);
            $comparison = $past->compared($item, $newest, $to, $address, $this->phrases);

            return response(view('plan-seen', [
                'item' => $item, 'kind' => $comparison->kind, 'from' => $newest, 'to' => $to, 'address' => $address, 'comparison' => $comparison, 'phrases' => $this->phrases,
                'past' => $past, 'parts' => null, 'itsHistory' => '', 'of' => [], 'spots' => [], 'door' => $door,
                ...$past->of(new LookedAt($item, $person, $comparison->kind, $comparison, $address)),
            ])->render());
        } finally {
            app()->forgetInstance(States::class);
        }
    }
}
