<?php

declare(strict_types=1);

namespace App\Models;

use App\Database\PresenceFile;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/**
 * Somebody has an item open: see {@see PresenceFile}.
 *
 * @property int $item_id
 * @property int $user_id
 * @property string $client one window
 * @property string|null $part where the caret is
 * @property string|null $base the root that the window stands on
 * @property int $seen_at seconds since 1970
 */
final class Presence extends Model
{
    /** Seconds after which somebody who is not heard of is away, and after which it is written again that they are here. */
    private const AWAY = 12;

    private const NOTED = 4;

    public $timestamps = false;

    public $incrementing = false;

    protected $connection = 'presence';

    protected $primaryKey = 'client';

    protected $keyType = 'string';

    protected $fillable = ['item_id', 'user_id', 'client', 'part', 'base', 'seen_at'];

    public static function note(Item $item, User $user, string $client, ?string $part, ?string $base): void
    {
        $known = self::query()->where(['item_id' => $item->id, 'client' => $client])->first();
        $now = now()->getTimestamp();
        if ($known === null || $known->part !== $part || $known->base !== $base || $known->seen_at < $now - self::NOTED) {
            self::query()->upsert(['item_id' => $item->id, 'client' => $client, 'user_id' => $user->id, 'part' => $part, 'base' => $base, 'seen_at' => $now], ['item_id', 'client'], ['part', 'base', 'seen_at', 'user_id']);
        }
    }

    /** @return Builder<self> those of others that are here now */
    public static function others(Item $item, User $user): Builder
    {
        return self::query()->where('item_id', $item->id)->where('user_id', '!=', $user->id)->where('seen_at', '>', now()->getTimestamp() - self::AWAY);
    }

    /** Since when it is known what windows stand on, in seconds since 1970. */
    public static function knownSince(): int
    {
        return (int) (DB::connection('presence')->select('PRAGMA user_version')[0]->user_version ?? 0);
    }
}
