<?php

declare(strict_types=1);

namespace Tests\World;

use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\Version;
use App\Store\WhatIsKept;
use App\Watching\Watch;
use Illuminate\Support\Facades\Artisan;

/**
 * What owners do with whole items and the shelf: away and back again, after which all is as it was; and, when all else is done, away for
 * good.
 */
final class Housekeeping
{
    /** Pages of somebody and of a shelf, on which anything may be named. */
    private const PAGES = ['for-you', 'account', 'lost.all', 'milestones'];

    private const OF_SHELF = ['shelf', 'lost', 'log', 'people', 'day', 'shelf.edit'];

    private ?Shelf $elsewhere = null;

    public function __construct(private readonly World $world, private readonly Shelf $shelf) {}

    public function keep(Step $step, Chance $chance): void
    {
        $item = $this->world->items[$step->item]->refresh();
        match ($chance->under(7)) {
            0 => $this->move($item, $step->item, $chance),
            1 => $this->archive($item),
            2 => $this->deleteShelf($item),
            3 => $this->milestone($item, $chance),
            4 => $this->meant($item, $chance),
            5 => $this->leave($chance),
            default => $this->close($item, $chance),
        };
    }

    /** To another shelf, where others see it and these don't, and back. */
    private function move(Item $item, string $kind, Chance $chance): void
    {
        $elsewhere = $this->elsewhere ?? Shelf::factory()
            ->with($this->world->people['ines'])
            ->with($this->world->people['rafi'], Role::Editor)
            ->createOne(['name' => 'Back room']);
        $this->elsewhere = $elsewhere;
        $was = $this->asItIs($item);
        $ines = fn () => $this->world->as('ines');
        $this->world->allowed($ines()->get(route('item.move', [$item, 'to' => $elsewhere->key])), 'looking at what a move does');
        $this->world->allowed($ines()->put(route('item.moved', $item), ['to' => $elsewhere->key]), 'moving');
        $item->refresh()->shelf_id === $elsewhere->id || throw Broken::law('What is moved stands on its shelf', $kind);
        $this->world->as('tobi')->get(route('item', $item))->getStatusCode() === 404
            || throw Broken::law('Nobody sees what is not theirs to see', "tobi met the moved {$kind}");
        $this->world->allowed($this->world->as('rafi')->get(route('item', $item)), 'opening what was moved here');
        (new Looking($this->world, $item, $kind))->at($ines(), $chance);
        $this->pages(['ines', 'tobi', 'rafi'], "when the {$kind} was moved");
        $this->world->allowed($ines()->put(route('item.moved', $item), ['to' => $this->shelf->key]), 'moving back');
        $was === $this->asItIs($item) || throw Broken::law('What comes back is as it was', "{$kind}, moved away and back");
    }

    private function archive(Item $item): void
    {
        $was = $this->asItIs($item);
        $this->world->allowed($this->world->as('ines')->put(route('shelf.archive', $this->shelf), ['away' => 1]), 'archiving the shelf');
        $this->world->as('ines')->delete(route('item.destroy', $item))->getStatusCode() === 403
            || throw Broken::law('An archived shelf stays as it is', 'something was deleted');
        $this->pages(['ines', 'tobi', 'rafi'], 'when the shelf was archived');
        foreach (['item', 'history', 'list'] as $route) {
            $this->world->allowed($this->world->as('ines')->get(route($route, $item)), "looking at {$route} on an archived shelf");
        }
        $this->world->allowed(
            $this->world->as('ines')->put(route('shelf.archive', $this->shelf), ['away' => 0]),
            'taking the shelf up again',
        );
        $was === $this->asItIs($item) || throw Broken::law('What comes back is as it was', 'from an archived shelf');
    }

    private function deleteShelf(Item $item): void
    {
        $was = $this->asItIs($item);
        $this->world->allowed($this->world->as('ines')->delete(route('shelf.destroy', $this->shelf)), 'deleting the shelf');
        foreach ([route('shelf', $this->shelf), route('item', $item)] as $address) {
            $this->world->as('rafi')->get($address)->getStatusCode() === 404
                || throw Broken::law('Nobody sees what is not theirs to see', "rafi met {$address} of a deleted shelf");
        }
        $item->address === null
            || $this->world->http->get("/read/{$item->address}")->getStatusCode() === 404
            || throw Broken::law('Nobody sees what is not theirs to see', 'everybody read what stands on a deleted shelf');
        $this->pages(['ines', 'tobi', 'rafi'], 'when the shelf was deleted', []);
        $this->world->allowed($this->world->as('ines')->put(route('shelf.back', $this->shelf)), 'bringing the shelf back');
        $was === $this->asItIs($item) || throw Broken::law('What comes back is as it was', 'from a deleted shelf');
    }

    private function milestone(Item $item, Chance $chance): void
    {
        $number = Version::query()->where('item_id', $item->id)->whereHas('milestone')->orderBy('number')->pluck('number')->all();
        if ($number !== []) {
            $at = [$item, $chance->of($number)];
            $this->world->allowed(
                $chance->once(3)
                    ? $this->world->as('ines')->delete(route('milestone.remove', $at))
                    : $this->world->as('ines')->put(route('milestone.move', [...$at, $chance->of(['before', 'after'])])),
                'moving a milestone',
            );
        }
    }

    private function meant(Item $item, Chance $chance): void
    {
        $numbers = Version::query()
            ->where('item_id', $item->id)
            ->whereNotNull('unusual')
            ->whereNull('meant_user_id')
            ->orderBy('number')
            ->pluck('number')
            ->all();
        $numbers === []
            || $this->world->allowed(
                $this->world->as('ines')->post(route('meant', [$item, $chance->of($numbers)])),
                'saying that something was meant',
            );
    }

    /** Somebody is let in no more, and then again: meanwhile nothing waits for them alone. */
    private function leave(Chance $chance): void
    {
        $who = $chance->of(['tobi', 'nell', 'jun']);
        $person = $this->world->people[$who]->refresh();
        $this->world->allowed($this->world->as('ines')->put(route('place.admit', $person), ['leaves' => 1]), 'letting somebody in no more');
        foreach (
            HeldEdit::query()->with('item')->where('user_id', $person->id)->whereNull('settled_at')->orderBy('id')->get()->all() as $held
        ) {
            if ($held->item->shelf_id === $this->shelf->id && $held->item->isStanding() && ! $held->item->isLine()) {
                $this->world->allowed(
                    $this->world->as('ines')->get(route('held', [$held->item, $held])),
                    "settling what {$who} wrote, who comes no more",
                );
            }
        }
        $this->pages(['ines', 'rafi'], "when {$who} was let in no more");
        $this->world->allowed($this->world->as('ines')->put(route('place.admit', $person), ['leaves' => 0]), 'letting somebody in again');
    }

    /** What readers could read they can't, or they can again. */
    private function close(Item $item, Chance $chance): void
    {
        if ($item->live_id === null || $item->kind === 'form') {
            return;
        }
        if ($chance->once(2)) {
            $this->world->allowed($this->world->as('ines')->delete(route('unpublish', $item)), 'unpublishing');
        } else {
            $this->world->allowed(
                $this->world->as('ines')->put(route('public', $item), ['open' => $chance->under(2), 'earlier' => $chance->under(2)]),
                'opening to the public',
            );
        }
        $item->refresh();
        $status = $item->address === null ? 404 : $this->world->http->get("/read/{$item->address}")->getStatusCode();
        ($status === 200) === ($item->live_id !== null && $item->is_public)
            || throw Broken::law('Readers see what is published', "{$item->kind}: {$status}");
    }

    /** Some go for good: nothing that stays leads to them, rests on them, or is less for it. */
    public function holdWhenSomeAreGone(Chance $chance): void
    {
        $kept = $this->world->items;
        for ($times = 2; $times > 0; $times--) {
            $kind = $chance->of(array_keys($kept));
            $item = $kept[$kind]->refresh();
            unset($kept[$kind]);
            WhatIsKept::say($this->world->people['ines'], [...WhatIsKept::item($item)->values, 'most' => 10], item: $item);
            Watch::say($this->world->people['rafi'], $item, 'all');
            $rules = [WhatIsKept::place()->values, WhatIsKept::shelf($this->shelf)->values];
            $this->world->isLost($kind)
                || $this->world->allowed($this->world->as('ines')->delete(route('item.destroy', $item)), 'deleting');
            $this->world->allowed($this->world->as('ines')->get(route('item.ask-for-good', $item)), 'asking what goes for good');
            $this->world->allowed(
                $this->world->as('ines')->delete(route('item.for-good', $item), ['name' => $item->title]),
                'deleting for good',
            );
            Item::query()->withoutGlobalScopes()->find($item->id) === null || throw Broken::law('What goes for good is gone', $kind);
            $rules === [WhatIsKept::place()->values, WhatIsKept::shelf($this->shelf)->values]
                || throw Broken::law('What is not deleted stays', "the rules, without the {$kind}");
            foreach ($kept as $other => $of) {
                $was = $of->versions()->orderBy('number')->pluck('root')->all();
                $of->refresh()->root === end($was) || throw Broken::law('What is not deleted stays', $other);
                if (! $this->world->isLost($other)) {
                    (new Looking($this->world, $of, $other))->at($this->world->as('ines'), $chance);
                }
            }
            foreach ([...array_values($this->world->followers), ...$this->world->figures === null ? [] : [$this->world->figures]] as $on) {
                foreach (['item', 'history'] as $route) {
                    $this->world->allowed(
                        $this->world->as('ines')->get(route($route, $on->refresh())),
                        "looking at {$route} of what drew from the {$kind} that is gone",
                    );
                }
            }
            $this->pages(['ines', 'tobi', 'nell', 'jun', 'rafi'], "when the {$kind} was gone for good");
            Artisan::call('attic:tidy', ['--at-once' => true]);
            Artisan::call('attic:verify') === 0
                || throw Broken::law('The store is sound', "when the {$kind} was gone for good: ".Artisan::output());
        }
    }

    /** @return list<mixed> what must not change while something is away */
    private function asItIs(Item $item): array
    {
        $item->refresh();

        return [
            $item->root,
            $item->head,
            $item->title,
            $item->live_id,
            $item->address,
            $item->is_public,
            $item->shelf_id,
            $this->shelf
                ->memberships()
                ->orderBy('id')
                ->get(['user_id', 'role'])
                ->toArray(),
            $item->entries()->count(),
            $item->lines()->count(),
        ];
    }

    /**
     * @param  list<string>  $people
     * @param  list<string>  $ofShelf
     */
    private function pages(array $people, string $when, array $ofShelf = self::OF_SHELF): void
    {
        foreach ($people as $who) {
            foreach (self::PAGES as $route) {
                $this->world->allowed($this->world->as($who)->get(route($route)), "looking at {$route} {$when}");
            }
            foreach ($ofShelf as $route) {
                $this->world->allowed($this->world->as($who)->get(route($route, $this->shelf)), "looking at {$route} {$when}", 403, 404);
            }
            foreach (['SUM', 'Test every', 'x'] as $words) {
                $this->world->allowed($this->world->as($who)->get(route('find', ['q' => $words])), "finding {$when}");
            }
        }
    }
}
