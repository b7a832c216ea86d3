<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\History\Sittings;

/** All versions of an item for drawing the ribbon: one row a version, as short as can be. */
final class RibbonData
{
    /**
     * @param  int|null  $last  only so many of the newest
     * @return array{lanes: list<array{name: string, monogram: string, colour: int}>, versions: list<array{int, int, int, int, int, int, int}>, milestones: list<array{int, string}>, sittings: int}
     *                                                                                                                                                                                            a version is its number, lane, words added and removed, seconds since the one before, 1 if a sitting begins with it, and the version that it restored or 0
     */
    public function of(Item $item, ?int $last = null): array
    {
        $rows = DB::table('versions')->where('item_id', $item->id)->where('number', '>', $last === null ? 0 : $item->head - $last)
            ->orderBy('number')->get(['number', 'user_id', 'added', 'removed', 'saved_at', 'source']);
        $times = array_map(fn (object $row) => (int) strtotime($row->saved_at.' UTC'), $rows->all());
        $sittings = Sittings::fold($times);
        $begins = array_fill_keys(array_column($sittings, 0), 1);
        $users = User::query()->whereIn('id', $rows->pluck('user_id')->unique()->values())->get()->keyBy('id');
        $lanes = array_flip($rows->pluck('user_id')->unique()->values()->all());

        return [
            'lanes' => array_map(fn (int $id) => ['name' => $users[$id]->firstName(), 'monogram' => $users[$id]->monogram(), 'colour' => $users[$id]->colour], array_keys($lanes)),
            'versions' => array_map(fn (object $row, int $at) => [
                (int) $row->number, $lanes[$row->user_id], (int) $row->added, (int) $row->removed,
                $at === 0 ? $times[0] : $times[$at] - $times[$at - 1], $begins[$at] ?? 0, (int) $row->source,
            ], $rows->all(), array_keys($rows->all())),
            'milestones' => DB::table('milestones')->join('versions', 'versions.id', '=', 'milestones.version_id')
                ->where('versions.item_id', $item->id)->orderBy('versions.number')->get(['versions.number', 'milestones.name'])
                ->map(fn (object $row) => [(int) $row->number, (string) $row->name])->all(),
            'sittings' => count($sittings),
        ];
    }
}
