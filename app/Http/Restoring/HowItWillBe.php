<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\Chunks\ChunksAhead;
use App\Store\States;
use App\View\ChangeLine;
use App\View\Comparison;
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
     * @param  array{said: string, note: string|null, plan: string, seen: string, store: string, do: string, hidden: list<array{string, int|string}>}  $door
     *     in words what will be, and what there is to know beside it; the addresses of the plan, of this page and of what does it; the word
     *     on the button, and what it sends
     */
    public function show(Request $request, Item $item, User $person, Version $newest, \Closure $becomes, array $door): ?Response
    {
        $request->merge(['from' => $newest->number, 'to' => $newest->number + 1, 'view' => 'changed']);

        return $this->drawn(
            $item,
            $person,
            $newest,
            $becomes,
            HistoryAddress::read($request, $item, fn () => $newest->number),
            'plan-seen',
            fn (Comparison $seen, \Closure $leads): array => [
                'door' => $door,
                'leads' => $leads(array_slice($seen->entries, 0, Comparison::MOST_LISTED)),
            ],
        );
    }

    /**
     * @param  \Closure(States): ?Version  $becomes
     * @param  view-string  $page
     * @param  \Closure(Comparison, \Closure(array<ChangeLine>): array<string, string>): array<string, mixed>  $with  what the page
     *     needs besides; it is given {@see Past::leads}
     */
    public function drawn(
        Item $item,
        User $person,
        Version $newest,
        \Closure $becomes,
        HistoryAddress $address,
        string $page,
        \Closure $with,
    ): ?Response {
        return self::within($becomes, function (Version $to) use ($item, $person, $newest, $address, $page, $with): Response {
            $past = $item->room(Past::class);
            $comparison = $past->compared($item, $address->view === 'was' ? $to : $newest, $to, $address, $this->phrases);
            $at = new LookedAt($item, $person, $comparison->kind, $comparison, $address);
            $shown = $past->of($at);

            return response(
                view($page, [
                    'item' => $item,
                    'kind' => $comparison->kind,
                    'from' => $newest,
                    'to' => $to,
                    'address' => $address,
                    'comparison' => $comparison,
                    'phrases' => $this->phrases,
                    'past' => $past,
                    'parts' => null,
                    'itsHistory' => '',
                    'of' => [],
                    'spots' => [],
                    ...$with($comparison, fn (array $lines): array => $past->leads($lines, $at, $shown)),
                    ...$shown,
                ])->render(),
            );
        });
    }

    /**
     * What it would be is kept nowhere but here, and whoever reads states meanwhile finds it there; nobody else, and nothing later.
     *
     * @template T
     *
     * @param  \Closure(States): ?Version  $becomes
     * @param  \Closure(Version, States): T  $look
     * @return T|null null when it can't be told what it will be
     */
    public static function within(\Closure $becomes, \Closure $look): mixed
    {
        $states = new States(app(ChunksAhead::class));
        app()->instance(States::class, $states);
        try {
            $to = $becomes($states);

            return $to === null ? null : $look($to, $states);
        } finally {
            app()->forgetInstance(States::class);
        }
    }
}
