<?php

declare(strict_types=1);

namespace App\View\Shelf;

use App\Models\Item;
use App\Models\Shelf;
use App\Models\ShelfMilestone;
use App\Models\User;
use App\Past\ShelfThen;
use Illuminate\Support\Facades\DB;

/** The ribbon of a shelf: a mark for each day on which somebody changed something, by item. */
final class ShelfRibbon
{
    /** Marks, the newest; items of a mark that are told by name. */
    private const MOST = 8_000;

    private const NAMED = 6;

    /**
     * @return array{
     *     lanes: list<array{name: string, monogram: string, colour: int}>,
     *     items: list<string>,
     *     marks: list<array{string, int, list<array{int, int}>, int}>,
     *     milestones: list<array{string, string}>,
     *     versions: int
     * } of a mark: the day, the lane, items with how many versions each, and how many items more
     */
    public function of(Shelf $shelf, User $person): array
    {
        $then = new ShelfThen($shelf, $person);
        // Readers are not told who wrote drafts.
        $items = $then->items->reject(fn (Item $item) => $then->isReadOnly($item));
        $rows = DB::table('activity')
            ->whereIn('item_id', $items->modelKeys())
            ->orderByDesc('day')
            ->orderBy('user_id')
            ->orderByDesc('versions')
            ->limit(self::MOST)
            ->get();
        [$places, $lanes] = [array_flip($items->modelKeys()), array_flip($rows->pluck('user_id')->unique()->sort()->values()->all())];
        $marks = [];
        foreach ($rows->groupBy(fn (object $row) => "{$row->day} {$row->user_id}") as $of) {
            $named = array_map(
                fn (object $row): array => [$places[$row->item_id], (int) $row->versions],
                array_values($of->take(self::NAMED)->all()),
            );
            $first = $of->firstOrFail();
            $marks[] = [(string) $first->day, (int) $lanes[$first->user_id], $named, count($of) - count($named)];
        }
        $users = User::query()->whereIn('id', array_keys($lanes))->orderBy('id')->get();

        return [
            'lanes' => array_values(
                $users
                    ->map(fn (User $user) => ['name' => $user->firstName(), 'monogram' => $user->monogram(), 'colour' => $user->colour])
                    ->all(),
            ),
            'items' => array_values($items->map(fn (Item $item) => $item->title)->all()),
            'marks' => array_reverse($marks),
            'milestones' => array_values(
                ShelfMilestone::query()
                    ->where('shelf_id', $shelf->id)
                    ->orderBy('at')
                    ->get()
                    ->map(fn (ShelfMilestone $milestone) => [$milestone->at->toIso8601ZuluString(), $milestone->name])
                    ->all(),
            ),
            'versions' => (int) $rows->sum('versions'),
        ];
    }
}
