<?php

declare(strict_types=1);

namespace Tests\World;

use App\Keeping\Exempt;
use App\Making\Offered;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\Version;
use App\Store\WhatIsKept;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;

/** What stays and what goes: pins, rules, versions that are let go, and the night in which that is done. */
final class KeptVersions
{
    public function __construct(private readonly World $world) {}

    public function pin(Step $step, Chance $chance): void
    {
        if ($this->world->mayWrite($step->who)) {
            $item = $this->world->item($step);
            $this->world->allowed(
                $this->world->as($step->who)->put(route('version.pin', [$item, $chance->of($this->world->kept($item))]), [
                    'pin' => $chance->under(4) > 0 ? 1 : 0,
                ]),
                'pinning',
            );
        }
    }

    /**
     * The owner lets versions go: by a rule, or some by hand. What something rests on stays, and every state that is kept is what it was.
     */
    public function thin(Step $step, Chance $chance): void
    {
        $item = $this->world->item($step);
        $roots = $item->versions()->pluck('root', 'number')->all();
        $exempt = (new Exempt($item))->numbers;
        $this->world->allowed($this->world->as('ines')->get(route('keeping', $item)), 'looking at what is kept');
        if ($chance->once(2)) {
            $this->world->allowed(
                $this->world->as('ines')->post(route('keeping.say', $item), ['leave' => 60, 'most' => 10, 'do' => 'keep']),
                'saying what is kept',
            );
            // Fewer bytes than the form offers: nothing here is large.
            $chance->once(2)
                && WhatIsKept::say(
                    $this->world->people['ines'],
                    [...WhatIsKept::item($item)->values, 'most' => null, 'bytes' => 500 * (1 + $chance->under(10))],
                    item: $item,
                );
            $this->world->allowed($this->world->as('ines')->post(route('keeping.now', $item)), 'letting versions go');
            $this->world->allowed($this->world->as('ines')->post(route('keeping.say', $item), ['leave' => 60, 'do' => 'above']), 'saying what is kept');
        } else {
            $from = 1 + $chance->under($item->head);
            $this->world->allowed(
                $this->world->as('ines')->delete(route('versions.delete', $item), [
                    'from' => $from,
                    'to' => $from + $chance->under(6),
                    'reason' => 'So it is',
                ]),
                'deleting versions',
            );
        }
        $this->thinned($step->item, $roots, $exempt);
    }

    /**
     * @param  array<int, string>  $roots  of the versions that there were
     * @param  array<int, mixed>  $exempt  those that something rested on
     */
    private function thinned(string $of, array $roots, array $exempt): void
    {
        $kept = $this->world->items[$of]->refresh()->versions()->pluck('root', 'number')->all();
        array_diff_key($exempt, $kept) === []
            || throw Broken::law('What something rests on is there', $of.' '.implode(', ', array_keys(array_diff_key($exempt, $kept))));
        $kept === array_intersect_key($roots, $kept) || throw Broken::law('A version left behind never changes', $of);
        foreach (array_diff_key($roots, $kept) as $root) {
            $this->world->ledger->gone[$of] = ($this->world->ledger->gone[$of] ?? []) + Ledger::tags($this->world->states->tree($root));
        }
    }

    /** Of one kind on the shelf no history is kept from now on, or one is again. */
    public function switchHistory(Step $step): void
    {
        $off = $this->world->shelf->refresh()->unkept_kinds;
        $kind = $this->world->item($step)->kind;
        $off = in_array($kind, $off, true) ? array_diff($off, [$kind]) : [...$off, $kind];
        $this->world->allowed(
            $this->world->as('ines')->put(route('keeping.shelf.kinds', $this->world->shelf), [
                'kinds' => array_values(array_diff(Offered::kinds(), $off)),
            ]),
            'switching a history',
        );
    }

    /** What is done every night, by rules of the shelf that the owner may have changed. */
    public function night(Chance $chance): void
    {
        $this->world->writing->standWhereTheyAre();
        $this->world->followed();
        WhatIsKept::say(
            $this->world->people['ines'],
            [
                'leave' => 60,
                'every' => $chance->of([1, 1, 7, null]),
                'then' => $chance->of([[], [['daily', 7], ['weekly', null]], [['hourly', 1], ['daily', null]]]),
                'most' => null,
                'bytes' => null,
            ],
            $this->world->shelf,
        );
        $roots = array_map(fn (Item $item): array => $item->versions()->pluck('root', 'number')->all(), $this->world->items);
        $exempt = array_map(fn (Item $item): array => (new Exempt($item->refresh()))->numbers, $this->world->items);
        Date::setTestNow(Date::now()->addDays($chance->of([1, 1, 3, 20]))->setTime(3, 0));
        foreach (['attic:lives' => [], 'attic:keep' => [], 'attic:tidy' => [], 'attic:digest' => []] as $command => $options) {
            Artisan::call($command, $options) === 0 || throw Broken::law('The night goes by', "{$command}: ".Artisan::output());
        }
        foreach (array_keys($this->world->items) as $of) {
            $this->thinned($of, $roots[$of], $exempt[$of]);
        }
        $this->mailed();
    }

    /** What is mailed to somebody who only reads tells of nothing else than they may see. */
    private function mailed(): void
    {
        $mails = DB::table('mails')->where('recipient', $this->world->people['rafi']->email)->orderBy('id')->pluck('body')->all();
        $feed = (string) $this->world->allowed(
            $this->world->http->get(route('feed.shelf', [str_repeat('r', 40), $this->world->shelf->key])),
            'reading a feed',
        )->getContent();
        $told = array_merge(Ledger::tagsOf($feed), ...array_map(fn (mixed $text): array => Ledger::tagsOf((string) $text), $mails));
        if ($told === []) {
            return;
        }
        foreach ($this->world->items as $kind => $item) {
            $sees = $this->world->sees('rafi', $kind) || ! $item->isPublishable()
                ? $item->versions()->pluck('root')->all()
                : Version::query()
                    ->whereIn('id', Publishing::query()->where('item_id', $item->id)->select('version_id'))
                    ->pluck('root')
                    ->all();
            foreach ($sees as $root) {
                $told = array_diff_key($told, Ledger::tags($this->world->states->tree((string) $root)));
            }
        }
        $told = array_diff_key($told, $this->world->followed(), ...array_values($this->world->ledger->gone));
        $told === [] || throw Broken::law('Nobody sees what is not theirs to see', 'rafi was mailed '.implode(', ', array_keys($told)));
    }

    /** What nobody is on goes, and what is needed by no state; windows have said where they are all along. */
    public function tidy(Chance $chance): void
    {
        $this->world->writing->standWhereTheyAre();
        Date::setTestNow(Date::now()->addSeconds($chance->of([1, 10_000, 90_000])));
        Artisan::call('attic:tidy', ['--at-once' => true]) === 0 || throw Broken::law('The store is sound', Artisan::output());
    }
}
