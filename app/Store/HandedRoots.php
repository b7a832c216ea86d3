<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Item;
use App\Models\Version;
use Illuminate\Support\Facades\DB;

/**
 * The states of an item that somebody may stand on. Whatever root was handed out is a base to merge from: the newest one, those
 * of versions, and for {@see DAYS} those that the newest state passed through and those that were sent.
 *
 * Cost: a row of about 65 bytes for each state that a save leaves behind, one of about 160 for each window.
 */
final readonly class HandedRoots
{
    /** How long somebody may be away from the server and still have what they wrote merged. */
    public const DAYS = 60;

    public function keep(Item $item, string $root): void
    {
        DB::table('handed_roots')->upsert(['item_id' => $item->id, 'root' => $root, 'at' => now()->getTimestamp()], ['item_id', 'root'], ['at']);
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
        $root = DB::table('sendings')->where(['item_id' => $item->id, 'window' => self::window($client), 'client' => $client, 'base' => $base])->value('root');

        return is_string($root) ? $root : null;
    }

    public function sent(Item $item, string $client, string $base, string $root): void
    {
        DB::table('sendings')->upsert(
            ['item_id' => $item->id, 'window' => self::window($client), 'client' => $client, 'base' => $base, 'root' => $root, 'at' => now()->getTimestamp()],
            ['item_id', 'window'],
            ['client', 'base', 'root', 'at'],
        );
    }

    /**
     * Forgets what nobody can stand on any more.
     *
     * @return array{int, int} roots and windows
     */
    public function tidy(): array
    {
        $before = now()->subDays(self::DAYS)->getTimestamp();

        return [
            DB::table('handed_roots')->where('at', '<', $before)->whereNotIn('root', DB::table('held_edits')->whereNull('settled_at')->select('root'))->delete(),
            DB::table('sendings')->where('at', '<', $before)->delete(),
        ];
    }

    /** A window names its sendings by itself and a count: `k3f9.12`. */
    private static function window(string $client): string
    {
        return explode('.', $client)[0];
    }
}
