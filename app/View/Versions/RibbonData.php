<?php

declare(strict_types=1);

namespace App\View\Versions;

use App\Models\Item;
use App\Models\Sight;
use App\Models\User;
use App\View\Phrases;
use App\View\Proposals\ProposedBetween;
use App\View\Talk\SaidBetween;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\History\Sittings;
use stdClass;

/**
 * All versions of an item for drawing the ribbon, one short row a version: its number, its lane, the words added and
 * removed, the seconds since the one before, 1 if a sitting begins with it, and the version that it restored or 0. Beside them
 * the milestones, what was published, and what is worth a look.
 */
final class RibbonData
{
    /**
     * @param  int|null  $last  only so many of the newest
     * @return array{lanes: list<array{id: int, name: string, monogram: string, colour: int}>, versions: list<list<int>>, milestones: list<array{int, string}>, published: list<array{int, string}>, unusual: list<array{int, string}>, pins: list<int>, gaps: list<array{int, string}>, talk: list<array{int, int, int, string}>, proposed: list<array{int, int, int, string, list<int>, int}>, sittings: int}
     */
    public function of(Item $item, ?int $last = null): array
    {
        $rows = DB::table('versions')->where('item_id', $item->id)->where('number', '>', $last === null ? 0 : $item->head - $last)
            ->when($item->sight, fn ($query, Sight $sight) => $query->whereIn('number', $sight->numbers ?? []))
            ->orderBy('number')->get(['number', 'user_id', 'added', 'removed', 'saved_at', 'source', 'unusual']);
        $times = array_values(array_map(fn (object $row) => (int) strtotime($row->saved_at.' UTC'), $rows->all()));
        $sittings = Sittings::fold($times);
        $begins = array_fill_keys(array_column($sittings, 0), 1);
        $editors = $rows->pluck('user_id')->unique()->values()->all();
        $lanes = array_flip($editors);
        $versions = [];
        $before = 0;
        foreach ($rows->values() as $at => $row) {
            $versions[] = [
                (int) $row->number,
                $lanes[$row->user_id],
                (int) $row->added,
                (int) $row->removed,
                $times[$at] - $before,
                $begins[$at] ?? 0,
                (int) $row->source,
            ];
            $before = $times[$at];
        }
        $isReader = $item->sight !== null;
        $talks = $last === null && ! $isReader && Gate::allows('talk', $item);

        return [
            'lanes' => $this->lanes($editors),
            'versions' => $versions,
            'milestones' => $this->milestones($item),
            'published' => $this->published($item),
            'unusual' => $isReader ? [] : $this->unusual($rows),
            'pins' => $isReader ? [] : $this->pins($item),
            'gaps' => $this->gaps($item, array_column($versions, 0)),
            'talk' => $talks && $item->talked !== 0 ? (new SaidBetween($item, 1, $item->head))->marks() : [],
            'proposed' => $talks ? (new ProposedBetween($item, 1, $item->head))->marks() : [],
            'sittings' => count($sittings),
        ];
    }

    /**
     * @param  Collection<int, stdClass>  $rows
     * @return list<array{int, string}> versions that ask for a look, and why
     */
    private function unusual(Collection $rows): array
    {
        return array_values(
            $rows
                ->whereNotNull('unusual')
                ->map(fn (stdClass $row) => [(int) $row->number, (string) (new Phrases)->unusual(json_decode((string) $row->unusual, true))])
                ->all(),
        );
    }

    /** @return list<int> */
    private function pins(Item $item): array
    {
        return array_values(
            array_map(
                intval(...),
                DB::table('versions')->where('item_id', $item->id)->whereNotNull('pinned_by')->orderBy('number')->pluck('number')->all(),
            ),
        );
    }

    /**
     * Where versions are no longer kept.
     *
     * @param  list<int>  $numbers  that are kept and shown, ascending
     * @return list<array{int, string}> the next one that is kept, and how many are missing before it
     */
    private function gaps(Item $item, array $numbers): array
    {
        $gaps = [];
        foreach ($item->gone === 0 || $item->sight !== null ? [] : $numbers as $at => $number) {
            $missing = $at === 0 ? 0 : $number - $numbers[$at - 1] - 1;
            $missing > 0 && $gaps[] = [$number, trans_choice('history.gap_here', $missing, ['count' => (string) $missing])];
        }

        return $gaps;
    }

    /**
     * @param  array<mixed>  $editors  ids, in the order of their first version
     * @return list<array{id: int, name: string, monogram: string, colour: int}>
     */
    private function lanes(array $editors): array
    {
        $users = User::query()->whereIn('id', $editors)->get();

        return array_values(array_map(function ($id) use ($users) {
            $user = $users->firstOrFail('id', $id);

            return ['id' => $user->id, 'name' => $user->firstName(), 'monogram' => $user->monogram(), 'colour' => $user->colour];
        }, $editors));
    }

    /** @return list<array{int, string}> */
    private function milestones(Item $item): array
    {
        $rows = DB::table('milestones')
            ->join('versions', 'versions.id', '=', 'milestones.version_id')
            ->where('milestones.item_id', $item->id)
            ->when($item->sight, fn ($query, Sight $sight) => $query->whereIn('versions.number', $sight->numbers ?? []))
            ->get(['versions.number', 'milestones.name'])
            ->sortBy('number')
            ->values();

        return array_values(array_map(fn (object $row) => [(int) $row->number, (string) $row->name], $rows->all()));
    }

    /** @return list<array{int, string}> the versions that were ever published, each with when it was so last */
    private function published(Item $item): array
    {
        if (! $item->isPublishable()) {
            return [];
        }
        $rows = DB::table('publishings')
            ->join('versions', 'versions.id', '=', 'publishings.version_id')
            ->where('publishings.item_id', $item->id)
            ->whereNotNull('count')
            ->orderBy('versions.number')
            ->groupBy('versions.number')
            ->selectRaw('versions.number, MAX(count) AS count')
            ->get();

        return array_values(
            array_map(
                fn (object $row) => [(int) $row->number, (string) __('publishing.lantern', ['count' => (string) $row->count])],
                $rows->all(),
            ),
        );
    }
}
