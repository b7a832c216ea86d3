<?php

declare(strict_types=1);

namespace App\Store;

use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Which version of an item was the newest at a moment: looked for by halves in all items at once, since numbers and times go up together.
 */
final class AtMoment
{
    /**
     * @param  list<int>  $items  ids
     * @return array<int, int> by item; of one that had none yet there is nothing
     */
    public static function numbers(array $items, CarbonImmutable $moment): array
    {
        $middle = '(low + high + 1) / 2';
        // Before a gap is what is kept before it, and where nothing is kept the search goes up.
        $isBefore = "COALESCE((SELECT saved_at FROM versions WHERE item_id = search.item_id AND number <= {$middle} ORDER BY number DESC LIMIT 1), '') <= :at";
        $rows = DB::select(<<<SQL
            WITH RECURSIVE search (item_id, low, high) AS (
                SELECT id, 0, head FROM items WHERE id IN (SELECT value FROM json_each(:items))
                UNION ALL
                SELECT item_id, CASE WHEN {$isBefore} THEN {$middle} ELSE low END, CASE WHEN {$isBefore} THEN high ELSE {$middle} - 1 END
                FROM search WHERE low < high
            )
            SELECT item_id, (SELECT number FROM versions WHERE item_id = search.item_id AND number <= low ORDER BY number DESC LIMIT 1) AS number
            FROM search WHERE low = high AND low > 0
            SQL, ['items' => json_encode($items), 'at' => $moment->utc()->format('Y-m-d H:i:s')]);

        return array_map(intval(...), array_filter(array_column($rows, 'number', 'item_id'), fn (mixed $number) => $number !== null));
    }
}
