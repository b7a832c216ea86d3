<?php

declare(strict_types=1);

namespace Tests\World;

use App\Models\Item;
use App\Models\Shelf;
use App\Models\ShelfReturn;
use App\Past\ShelfThen;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** The shelf of the world on a day: what stood on it then is remembered, looked for again, and brought back together. */
final class ShelfDays
{
    /** @var array<string, list<int>> moment => ids of the items that stood there */
    private array $stood = [];

    public function __construct(private readonly World $world, private readonly Shelf $shelf) {}

    /** Remembers what is there now, and holds what it remembers against what the shelf tells of that day. */
    public function hold(): void
    {
        $standing = array_values(
            array_map(
                fn (Item $item) => $item->id,
                array_filter($this->world->items, fn (Item $item) => $item->refresh()->deleted_at === null),
            ),
        );
        $this->stood[now()->utc()->format('Y-m-d H:i:s')] = $standing;
        $ids = array_map(fn (Item $item) => $item->id, array_values($this->world->items));
        $then = new ShelfThen($this->shelf->load('memberships'), $this->world->people['ines']->refresh());
        foreach (array_slice($this->stood, 0, 2) + array_slice($this->stood, -3) as $moment => $stood) {
            $told = array_intersect_key($then->numbers(CarbonImmutable::parse($moment, 'UTC')), array_flip($ids));
            $kept = DB::table('versions')
                ->whereIn('item_id', $stood)
                ->where('saved_at', '<=', $moment)
                ->groupBy('item_id')
                ->selectRaw('item_id, MAX(number) AS number')
                ->pluck('number', 'item_id')
                ->all();
            ksort($told);
            ksort($kept);
            $told === $kept
                || throw Broken::law(
                    'A shelf on a day is what its items were',
                    "{$moment}: ".json_encode($told).' and by force '.json_encode($kept),
                );
        }
    }

    /** Brings some items back to a moment, and now and then takes that back at once. */
    public function bring(string $who, Chance $chance): void
    {
        if ($this->stood === []) {
            return;
        }
        $moment = CarbonImmutable::parse($chance->of(array_keys($this->stood)), 'UTC');
        $at = $moment->format('Y-m-d\TH:i:s\Z');
        $this->world->allowed($this->world->as($who)->get(route('day', [$this->shelf, 'at' => $at])), 'looking at the shelf on a day');
        if ($chance->once(4)) {
            $this->world->allowed(
                $this->world->as($who)->post(route('day.mark', $this->shelf), ['at' => $at, 'name' => "All of {$at}"]),
                'naming a moment of the shelf',
            );
        }
        $items = array_filter($this->world->items, fn (Item $item) => $item->form_id === null && $chance->once(3));
        $page = $this->world
            ->as($who)
            ->get(route('day.back', [$this->shelf, 'at' => $at, 'items' => array_values(array_map(fn (Item $item) => $item->key, $items))]));
        if ($page->getStatusCode() !== 200) {
            $this->world->allowed($page, 'looking at what would come back', 403);

            return;
        }
        $then = (new ShelfThen($this->shelf->load('memberships'), $this->world->people[$who]->refresh()))->numbers($moment);
        [$of, $before] = $this->sent((string) $page->getContent(), $items);
        $returns = ShelfReturn::query()->count();
        $this->world->allowed(
            $this->world->as($who)->post(route('day.back.store', $this->shelf), ['at' => $at, 'of' => $of]),
            'bringing several items back',
            403,
        );
        if (ShelfReturn::query()->count() === $returns) {
            return;
        }
        foreach (array_intersect_key($items, $before) as $kind => $item) {
            $root = isset($then[$item->id])
                ? DB::table('versions')
                    ->where(['item_id' => $item->id, 'number' => $then[$item->id]])
                    ->value('root')
                : null;
            $item->refresh();
            (($item->deleted_at === null) === ($root !== null) && ($root === null || $item->root === $root))
                || throw Broken::law('What comes back to a day is as it was on it', "{$kind} at {$moment}");
            $this->world->tookAway($kind, $who, $before[$kind][0], $item->root);
        }
        $this->remember($items);
        if ($chance->once(2)) {
            $this->world->allowed(
                $this->world->as($who)->delete(route('day.back.undo', [$this->shelf, ShelfReturn::query()->latest('id')->firstOrFail()])),
                'taking it back',
                403,
            );
            if (ShelfReturn::query()->latest('id')->firstOrFail()->undone_at === null) {
                return;
            }
            foreach ($before as $kind => [$root, $isLost]) {
                $item = $items[$kind]->refresh();
                ($item->root === $root && ($item->deleted_at !== null) === $isLost)
                    || throw Broken::law('Taken back together, all is as it was', $kind);
            }
            $this->remember($items);
        }
    }

    /**
     * What is deleted now comes back as it is now.
     *
     * @param  array<string, Item>  $items
     */
    public function remember(array $items): void
    {
        foreach ($items as $kind => $item) {
            if ($item->refresh()->deleted_at !== null) {
                $this->world->ledger->lost[$kind] = [$item->root, $item->head, $item->title, $item->live_id, $item->address];
            }
        }
    }

    /**
     * All that the plan offers, as its form would send it.
     *
     * @param  array<string, Item>  $items
     * @return array{array<string, array<string, mixed>>, array<string, array{string, bool}>} what is sent, and by kind what stood there
     *     before and whether it was deleted
     */
    private function sent(string $html, array $items): array
    {
        $of = $before = [];
        foreach ($items as $kind => $item) {
            if (preg_match('/name="of\['.$item->key.'\]\[on\]" value="1" form="return" data-of-item +checked/', $html) !== 1) {
                continue;
            }
            preg_match_all('/name="of\['.$item->key.'\]\[pick\]\[\]" value="(\d+)"/', $html, $picks);
            $item->refresh();
            $of[$item->key] = ['on' => '1', 'seen' => $item->head, 'lost' => $item->deleted_at === null ? '0' : '1', 'pick' => $picks[1]];
            $before[$kind] = [$item->root, $item->deleted_at !== null];
        }

        return [$of, $before];
    }
}
