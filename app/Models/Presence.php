<?php

declare(strict_types=1);

namespace App\Models;

use App\Database\PresenceFile;
use App\Live\News;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Somebody has an item open: see {@see PresenceFile}.
 *
 * @property int $item_id
 * @property int $user_id
 * @property string $client one window
 * @property string|null $part where the caret is
 * @property string|null $base the root that the window is on
 * @property int $seen_at seconds since 1970
 * @property string|null $ticket with which it may ask shortly
 * @property int $asked_at when it asked in full, in seconds since 1970
 */
final class Presence extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $connection = 'presence';

    protected $primaryKey = 'client';

    protected $keyType = 'string';

    protected $fillable = ['item_id', 'user_id', 'client', 'part', 'base', 'seen_at'];

    /** @param string|null $ticket see {@see News::note} */
    public static function note(Item $item, User $user, string $client, ?string $part, ?string $base, ?string $ticket = null): void
    {
        self::news()->note($item->id, $user->id, $client, $part, $base, now()->getTimestamp(), $ticket);
    }

    /**
     * What a window saved is what it is on, also when it is out of sight and says nothing.
     *
     * @param  string  $client  as it sends: its name, a full stop and a number
     */
    public static function stands(Item $item, string $client, string $root): void
    {
        self::query()->where(['item_id' => $item->id, 'client' => Str::beforeLast($client, '.')])->update(['base' => $root]);
    }

    public static function news(): News
    {
        return new News(DB::connection()->getPdo(), DB::connection('presence')->getPdo());
    }

    /** @return Builder<self> those of others that are here now */
    public static function others(Item $item, User $user): Builder
    {
        return self::query()
            ->where('item_id', $item->id)
            ->where('user_id', '!=', $user->id)
            ->where('seen_at', '>', now()->getTimestamp() - News::AWAY);
    }

    /** Since when it is known what windows are on, in seconds since 1970. */
    public static function knownSince(): int
    {
        return (int) (DB::connection('presence')->select('PRAGMA user_version')[0]->user_version ?? 0);
    }
}
