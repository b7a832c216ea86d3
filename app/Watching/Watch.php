<?php

declare(strict_types=1);

namespace App\Watching;

use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Of what somebody wants word: everything, milestones and publishings, or nothing; an item as its shelf, unless it is said otherwise. */
final class Watch
{
    public const HOW = ['all', 'marks', 'none'];

    /** What somebody said; null when they said nothing. */
    public static function how(User $person, Item|Shelf $what): ?string
    {
        $how = DB::table('watches')->where(self::at($person, $what))->value('how');

        return is_string($how) ? $how : null;
    }

    public static function say(User $person, Item|Shelf $what, ?string $how): void
    {
        DB::transaction(function () use ($person, $what, $how): void {
            DB::table('watches')->where(self::at($person, $what))->delete();
            $how === null || DB::table('watches')->insert([...self::at($person, $what), 'how' => $how]);
            // What was there before is no news.
            DB::table('digests')->insertOrIgnore(['user_id' => $person->id, 'version_id' => (int) DB::table('versions')->max('id')]);
        });
    }

    /** @return array{user_id: int, shelf_id: int|null, item_id: int|null} */
    private static function at(User $person, Item|Shelf $what): array
    {
        return [
            'user_id' => $person->id,
            'shelf_id' => $what instanceof Shelf ? $what->id : null,
            'item_id' => $what instanceof Item ? $what->id : null,
        ];
    }
}
