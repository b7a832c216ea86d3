<?php

declare(strict_types=1);

namespace App\View\Finding;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\Lives\Life;
use App\Store\Writers;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** The versions that lives begin and end with, and who did it: read at once for all that are shown. */
final readonly class Ends
{
    /** @var array<int, array<int, Version>> item => number */
    private array $versions;

    /** @var array<int, array<int, array<string, int>>> item => number => part => person */
    private array $who;

    /** @var Collection<int, User> */
    private Collection $people;

    /**
     * @param  Collection<int, Item>  $items
     * @param  list<Life>  $lives  of those
     */
    public function __construct(Collection $items, array $lives)
    {
        $numbers = $parts = $shared = $versions = $who = [];
        foreach ($lives as $life) {
            array_push($numbers, ...array_filter([$life->from, (int) $life->gone]));
            array_push($parts, $life->part, "{$life->part}/{$life->field}");
        }
        [$numbers, $parts, $ids] = [array_unique($numbers), array_unique($parts), $items->modelKeys()];
        foreach (
            Version::query()
                ->whereIn('item_id', $ids)
                ->whereIn('number', $numbers)
                ->get(['item_id', 'number', 'user_id', 'saved_at', 'root']) as $version
        ) {
            $versions[$version->item_id][$version->number] = $version;
        }
        foreach (DB::table('shared_touches')->whereIn('item_id', $ids)->distinct()->pluck('item_id') as $id) {
            $shared[(int) $id] = new Writers($items->find((int) $id) ?? new Item);
        }
        foreach (
            DB::table('touches')
                ->whereIn('item_id', $ids)
                ->whereIn('part', $parts)
                ->whereIn('number', $numbers)
                ->get(['item_id', 'part', 'number', 'user_id']) as $touch
        ) {
            [$id, $number, $part, $person] = [(int) $touch->item_id, (int) $touch->number, (string) $touch->part, (int) $touch->user_id];
            $who[$id][$number][$part] = isset($shared[$id]) ? $shared[$id]->of($part, $number, $person) : $person;
        }
        [$this->versions, $this->who] = [$versions, $who];
        $writers = array_map(fn (array $of) => array_map(fn (Version $version) => $version->user_id, $of), $versions);
        $this->people = Writers::people([
            ...array_merge([], ...array_map(array_values(...), $writers)),
            ...array_merge(
                [],
                ...array_map(fn (array $of) => array_merge([], ...array_map(array_values(...), array_values($of))), array_values($who)),
            ),
        ]);
    }

    public function version(Life $life, ?int $number): ?Version
    {
        return $number === null ? null : $this->versions[$life->item][$number] ?? null;
    }

    /** Who began or ended a life; whoever wrote the version, where that is not told of the part. */
    public function who(Life $life, ?int $number): ?User
    {
        $touched = $number === null ? [] : $this->who[$life->item][$number] ?? [];

        return $this->people->get(
            $touched["{$life->part}/{$life->field}"] ?? ($touched[$life->part] ?? (int) $this->version($life, $number)?->user_id),
        );
    }
}
