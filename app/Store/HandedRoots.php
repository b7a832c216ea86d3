<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Item;
use App\Models\Presence;
use App\Models\Version;
use Carbon\CarbonInterface;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * The states of an item that somebody may be on. Whatever root was handed out is a base to merge from: the newest one, those of versions,
 * and for {@see DAYS} those that the newest state passed through or that were sent, as long as a window may be on them: what it said last,
 * what it sent, and what it was answered.
 *
 * Cost: a row of about 65 bytes for each state that a save leaves behind, one of about 200 for each window.
 */
final readonly class HandedRoots
{
    /** How long somebody may be away from the server and still have what they wrote merged. */
    public const DAYS = 60;

    /** Hours in which a window is heard of that is on a state. */
    private const FRESH = 2;

    /** @param CarbonInterface|null $until when it was the newest last; now if not given */
    public function keep(Item $item, string $root, ?CarbonInterface $until = null): void
    {
        $at = ($until ?? now())->getTimestamp();
        DB::table('handed_roots')->upsert(
            ['item_id' => $item->id, 'root' => $root, 'at' => $at],
            ['item_id', 'root'],
            ['at' => DB::raw("max(at, {$at})")],
        );
    }

    public function has(Item $item, string $root): bool
    {
        return $item->root === $root
            || DB::table('handed_roots')->where(['item_id' => $item->id, 'root' => $root])->exists()
            || Version::query()->where(['item_id' => $item->id, 'root' => $root])->exists();
    }

    /** What a window sent last from this base under this name: its answer may have been lost. */
    public function sentBefore(Item $item, string $client, string $base): ?string
    {
        $root = DB::table('sendings')
            ->where(['item_id' => $item->id, 'window' => self::window($client), 'client' => $client, 'base' => $base])
            ->value('root');

        return is_string($root) ? $root : null;
    }

    /** @param string $answer the root that it is answered, on which it may be before anybody hears of it */
    public function sent(Item $item, string $client, string $base, string $root, string $answer): void
    {
        DB::table('sendings')->upsert(
            [
                'item_id' => $item->id,
                'window' => self::window($client),
                'client' => $client,
                'base' => $base,
                'root' => $root,
                'answer' => $answer,
                'at' => now()->getTimestamp(),
            ],
            ['item_id', 'window'],
            ['client', 'base', 'root', 'answer', 'at'],
        );
    }

    /**
     * Forgets what nobody can be on any more: after {@see DAYS}, all of it; after {@see FRESH}, of items whose windows say where they are,
     * what none of them stood on when it was last heard of.
     *
     * @param  list<string>  $heardOf  kinds whose windows say so
     * @return array{int, int} roots and windows
     */
    public function tidy(array $heardOf): array
    {
        $before = now()->subDays(self::DAYS)->getTimestamp();
        $roots = DB::table('handed_roots')->where('at', '<', $before)->whereNotIn('root', $this->held())->delete();
        foreach (
            DB::table('handed_roots')
                ->join('items', 'items.id', '=', 'handed_roots.item_id')
                ->whereIn('items.kind', $heardOf)
                ->distinct()
                ->pluck('item_id') as $item
        ) {
            $roots += $this->thin((int) $item);
        }

        return [$roots, DB::table('sendings')->where('at', '<', $before)->delete()];
    }

    private function thin(int $item): int
    {
        $stood = Presence::query()->where('item_id', $item)->whereNotNull('base')->distinct()->pluck('base')->all();
        $stood = [
            ...$stood,
            ...DB::table('sendings')
                ->where('item_id', $item)
                ->get(['base', 'root', 'answer'])
                ->flatMap(fn (object $row) => array_filter([$row->base, $row->root, $row->answer]))
                ->all(),
        ];
        $gone = DB::table('handed_roots')
            ->where('item_id', $item)
            ->whereBetween('at', [Presence::knownSince(), now()->subHours(self::FRESH)->getTimestamp()])
            ->whereNotIn('root', $this->held())
            ->pluck('root')
            ->all();

        return array_sum(
            array_map(
                fn (array $roots) => DB::table('handed_roots')->where('item_id', $item)->whereIn('root', $roots)->delete(),
                array_chunk(array_diff($gone, $stood), 500),
            ),
        );
    }

    /** What edits that wait rest on. */
    private function held(): Builder
    {
        return DB::table('held_edits')->whereNull('settled_at')->select('root');
    }

    /** A window names its sendings by itself and a count: `k3f9.12`. */
    private static function window(string $client): string
    {
        return explode('.', $client)[0];
    }
}
