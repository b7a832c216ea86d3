<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\Item;
use App\Models\LogLine;
use App\Models\PlaceLine;
use App\Models\Shelf;
use App\Models\User;
use App\Store\Lives\Lives;
use Illuminate\Support\Facades\DB;

/**
 * Deletes for good what is in Lost & found, with its entries and all their histories. What other items hold is theirs: a copy keeps its
 * content, a dataset its records. Chunks that nothing needs any more are given back by the next sweep.
 */
final class DeleteForGood
{
    /** Ids that are asked for at once. */
    private const AT_ONCE = 500;

    /** Columns that may be empty, and without which a row would be another thing: a rule of an item would be one of the place. */
    public const TELLS_WHAT_IT_IS = [
        'items.form_id',
        'keeping_rules.shelf_id',
        'keeping_rules.item_id',
        'watches.shelf_id',
        'watches.item_id',
        'comments.of_id',
    ];

    public function __construct(private readonly Lives $lives) {}

    public function item(Item $item, ?User $person): void
    {
        DB::transaction(function () use ($item, $person): void {
            LogLine::ofItem($person === null ? 'went_for_good' : 'deleted_for_good', $person ?? User::place(), $item, [
                'versions' => (string) $item->versions()->count(),
            ]);
            // An entry is none without its form.
            $this->lives->forget([$item->id]);
            $this->items($item->entries()->pluck('id')->all());
            $this->items($item->lines()->pluck('id')->all());
            $this->items([$item->id]);
        });
    }

    /** A shelf with all that is on it or was deleted from it. */
    public function shelf(Shelf $shelf, User $person): void
    {
        DB::transaction(function () use ($shelf, $person): void {
            $this->lives->forget(Item::query()->where('shelf_id', $shelf->id)->whereNull('form_id')->pluck('id')->all());
            $this->items(Item::query()->where('shelf_id', $shelf->id)->whereNotNull('form_id')->pluck('id')->all());
            $this->items(
                Item::query()->withoutGlobalScope(Item::MAIN)->where('shelf_id', $shelf->id)->whereNotNull('line_of')->pluck('id')->all(),
            );
            $this->items(Item::query()->where('shelf_id', $shelf->id)->pluck('id')->all());
            $this->rows('shelves', 'id', [$shelf->id]);
            PlaceLine::note($person, 'shelf_gone', $shelf->name);
        });
    }

    /** @param array<int> $ids */
    private function items(array $ids): void
    {
        DB::statement('PRAGMA defer_foreign_keys = ON');
        foreach (array_chunk($ids, self::AT_ONCE) as $some) {
            $this->lives->forget($some);
            DB::table('mails')->whereIn('item_id', $some)->delete();
            $this->rows('items', 'id', $some);
        }
    }

    /**
     * Rows, and what points to them: a column that may be empty is emptied, a row that can't do without goes, too.
     *
     * @param  array<int>  $ids
     */
    private function rows(string $table, string $column, array $ids): void
    {
        foreach (array_chunk($ids, self::AT_ONCE) as $some) {
            $gone = $column === 'id'
                ? $some
                : (in_array('id', array_column(DB::select("PRAGMA table_info({$table})"), 'name'), true)
                    ? DB::table($table)->whereIn($column, $some)->pluck('id')->all()
                    : []);
            foreach ($gone === [] ? [] : self::pointing($table) as [$other, $to, $isNeeded]) {
                $isNeeded
                    ? $this->rows($other, $to, $gone)
                    : array_map(
                        fn (array $chunk) => DB::table($other)
                            ->whereIn($to, $chunk)
                            ->update([$to => null]),
                        array_chunk($gone, self::AT_ONCE),
                    );
            }
            DB::table($table)->whereIn($column, $some)->delete();
        }
    }

    /** @return list<array{string, string, bool}> tables and columns that point to a table, and whether a row needs what it points to */
    private static function pointing(string $table): array
    {
        $pointing = [];
        foreach (DB::select("SELECT name FROM sqlite_master WHERE type = 'table'") as $other) {
            $needed = array_column(DB::select("PRAGMA table_info({$other->name})"), 'notnull', 'name');
            foreach (DB::select("PRAGMA foreign_key_list({$other->name})") as $key) {
                if ($key->table === $table) {
                    $pointing[] = [
                        $other->name,
                        $key->from,
                        (bool) $needed[$key->from] || in_array("{$other->name}.{$key->from}", self::TELLS_WHAT_IT_IS, true),
                    ];
                }
            }
        }

        return $pointing;
    }
}
