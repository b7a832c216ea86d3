<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\Item;
use App\Models\Version;
use App\Store\CarriedWords;
use App\Store\Excerpt;
use App\Store\HandedRoots;
use App\Store\Lives\Lives;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\History\Touched;
use MistyAttic\Core\Kinds\Kinds;

/**
 * Lets versions go. Their numbers are not given again; who wrote them and when is kept, and what they changed is told with the next version
 * that is kept, under the names of all who may have written it. Their states are given back by the next sweep.
 */
final readonly class LetGo
{
    public function __construct(
        private States $states,
        private CarriedWords $carried,
        private Lives $lives,
        private HandedRoots $handed,
        private LetGoPictures $pictures,
    ) {}

    /**
     * @param  list<int>  $numbers  none of which anything rests on: see {@see Exempt}
     * @return int how many went; those around which something moved meanwhile stay until the next time
     */
    public function handle(Item $item, array $numbers): int
    {
        $gone = 0;
        $roots = Version::query()->where('item_id', $item->id)->whereIn('number', $numbers)->pluck('root')->all();
        foreach ($this->gaps($item, $numbers) as [$kept, $between, $behind]) {
            $ends = Version::query()
                ->findMany([$kept, $behind])
                ->keyBy('id');
            $gone
                += isset($ends[$kept], $ends[$behind]) && $this->close($item, $ends[$kept], $between, $ends[$behind]) ? count($between) : 0;
        }
        $gone === 0 || $this->pictures->handle($item, array_values(array_unique(array_map(strval(...), $roots))));

        return $gone;
    }

    /**
     * @param  list<int>  $numbers
     * @return list<array{int, non-empty-list<int>, int}> the id of the version that is kept before, the numbers of those that go, the id of
     *     the one that is kept behind
     */
    private function gaps(Item $item, array $numbers): array
    {
        $goes = array_flip($numbers);
        $gaps = $between = [];
        $kept = null;
        foreach (DB::table('versions')->where('item_id', $item->id)->orderBy('number')->pluck('id', 'number') as $number => $id) {
            if (isset($goes[$number])) {
                $between[] = (int) $number;

                continue;
            }
            if ($between !== [] && $kept !== null) {
                $gaps[] = [$kept, $between, (int) $id];
            }
            [$kept, $between] = [(int) $id, []];
        }

        return $gaps;
    }

    /** @param non-empty-list<int> $between */
    private function close(Item $item, Version $before, array $between, Version $next): bool
    {
        $kind = Kinds::named($item->kind);
        $grid = $kind->grid();
        $excerpt = $grid === null ? null : Excerpt::of($this->states, $grid, $before->root, $next->root, even: true);
        [$old, $new]
            = $excerpt === null ? [$this->states->tree($before->root), $this->states->tree($next->root)] : [$excerpt->old, $excerpt->new];
        $changes = $excerpt->changes ?? TreeCompare::of($old, $new);
        $touched = Touched::by($changes, $kind);
        $tree = $excerpt === null ? $new : null;
        $whole = function () use (&$tree, $next): PartTree {
            return $tree ??= $this->states->tree($next->root);
        };

        return DB::transaction(function () use ($item, $before, $between, $next, $old, $new, $changes, $touched, $kind, $whole): bool {
            // Something may have come to rest on one of them, or grown, while all this was read.
            $stands = Version::query()->where('item_id', $item->id)->whereIn('id', [$before->id, $next->id])->pluck('root', 'id')->all();
            $exempt = (new Exempt($item->refresh()))->numbers;
            if (
                $stands !== [$before->id => $before->root, $next->id => $next->root]
                || array_intersect_key(array_flip($between), $exempt) !== []
            ) {
                return false;
            }
            $this->tellTouches($item, [...$between, $next->number], $next, $touched, $new);
            $this->lives->close($item, $before->number, $next->number, $kind, $whole);
            DB::table('gone_versions')->insertUsing(
                ['item_id', 'number', 'user_id', 'saved_at'],
                DB::table('versions')
                    ->where('item_id', $item->id)
                    ->whereIn('number', $between)
                    ->select('item_id', 'number', 'user_id', 'saved_at'),
            );
            $this->stoodOn($item, $before->number, $next);
            DB::table('versions')->where('item_id', $item->id)->whereIn('number', $between)->delete();
            DB::table('items')->where('id', $item->id)->increment('gone', count($between));
            if ($kind->grid() === null) {
                $this->carried->keep($item, $next, $old, $new, $changes);
            }

            return true;
        });
    }

    /**
     * Whatever all of them touched is told as touched by the next one.
     *
     * @param  non-empty-list<int>  $numbers
     * @param  array<string, int>  $touched  by part
     */
    private function tellTouches(Item $item, array $numbers, Version $next, array $touched, PartTree $new): void
    {
        $wrote = $this->wrote($item, $numbers);
        foreach (['touches', 'shared_touches', 'carried'] as $table) {
            DB::table($table)->where('item_id', $item->id)->whereIn('number', $numbers)->delete();
        }
        foreach ($touched as $part => $what) {
            $this->touch($item, $next, (string) $part, $what, $new->wholePosition(explode('/', (string) $part)[0]), $wrote);
        }
    }

    /** A window may be on the state of a version that goes, from when that was the newest: it stays a base until nobody can. */
    private function stoodOn(Item $item, int $before, Version $next): void
    {
        $until = $next->saved_at;
        foreach (
            Version::query()
                ->where('item_id', $item->id)
                ->where('number', '>', $before)
                ->where('number', '<', $next->number)
                ->orderByDesc('number')
                ->get(['root', 'saved_at']) as $version
        ) {
            if ($version->root !== $next->root && $until > now()->subDays(HandedRoots::DAYS)) {
                $this->handed->keep($item, $version->root, $until);
            }
            $until = $version->saved_at;
        }
    }

    /**
     * @param  list<int>  $numbers
     * @return array<string, array<int, true>> part => people; under '' all of them
     */
    private function wrote(Item $item, array $numbers): array
    {
        $wrote = [];
        foreach (['touches', 'shared_touches'] as $table) {
            foreach (
                DB::table($table)
                    ->where('item_id', $item->id)
                    ->whereIn('number', $numbers)
                    ->orderBy('number')
                    ->get(['part', 'user_id']) as $row
            ) {
                $wrote[(string) $row->part][(int) $row->user_id] = true;
                $wrote[''][(int) $row->user_id] = true;
            }
        }
        // What was split off or joined in a version that goes, or right behind them, was written by whoever wrote where it came from.
        foreach (
            DB::table('carried')
                ->where('item_id', $item->id)
                ->whereIn('number', $numbers)
                ->whereIn('source_number', $numbers)
                ->orderBy('number')
                ->get(['part', 'source_part']) as $row
        ) {
            $wrote[(string) $row->part] = ($wrote[(string) $row->part] ?? []) + ($wrote[(string) $row->source_part] ?? []);
        }

        return $wrote;
    }

    /** @param array<string, array<int, true>> $wrote */
    private function touch(Item $item, Version $next, string $part, int $what, ?int $position, array $wrote): void
    {
        $people = array_keys($wrote[$part] ?? ($wrote[explode('/', $part)[0]] ?? ($wrote[''] ?? [$next->user_id => true])));
        DB::table('touches')->insert([
            'item_id' => $item->id,
            'part' => $part,
            'number' => $next->number,
            'user_id' => $people[0],
            'what' => $what,
            'position' => $position,
        ]);
        foreach (array_slice($people, 1) as $other) {
            DB::table('shared_touches')->insert(['item_id' => $item->id, 'number' => $next->number, 'part' => $part, 'user_id' => $other]);
        }
    }
}
