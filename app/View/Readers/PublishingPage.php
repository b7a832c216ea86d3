<?php

declare(strict_types=1);

namespace App\View\Readers;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\View\HistoryAddress;
use App\View\Phrases;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\HtmlString;

/** What readers would see change, and how that looks. */
final readonly class PublishingPage
{
    public function __construct(private States $states, private Phrases $phrases) {}

    /** @return array{plan: PublishingPlan, address: HistoryAddress, seen: HtmlString} */
    public function of(Item $item, Version $version, User $person): array
    {
        $plan = new PublishingPlan($item, $version, $this->states, $this->phrases);
        $address = HistoryAddress::all($item);
        $seen = $item->room(ForReaders::class)->seen($plan, $person)->with([
            'item' => $item,
            'kind' => $plan->kind,
            'phrases' => $this->phrases,
            'earlier' => $plan->comparison?->old,
            'parts' => null,
            'itsHistory' => '',
            'address' => $address,
        ]);

        return ['plan' => $plan, 'address' => $address, 'seen' => new HtmlString($seen->render())];
    }

    /** The address that somebody sees a version from who published it, asked for it or answered: those who answer may not see the draft. */
    public static function after(Item $item, int $number): string
    {
        return Gate::allows('draft', $item)
            ? route('history', ['item' => $item, 'from' => $number, 'to' => $item->head])
            : route('shelf', $item->shelf);
    }
}
