<?php

declare(strict_types=1);

namespace App\Making;

use App\Models\Item;
use App\Models\Version;
use App\Store\Lives\Lives;
use Illuminate\Support\Facades\DB;

/**
 * The whole history up to a version goes along with a copy of it: the same states under the same numbers, by who wrote them, with
 * milestones and pins. Nothing of the content is copied: a version costs its rows. To be called inside the transaction of the action that
 * copies.
 */
final class HistoryAlong
{
    public function __construct(private readonly Lives $lives) {}

    public function handle(Version $version, Item $copy): void
    {
        [$from, $until] = [$version->item, $version->number];
        $this->rows('versions', $from, $copy, $until, ['id', 'with_id']);
        // A copy of a copy says where that came from, not where this does.
        $copied = $from->origin;
        $copied === null
            || DB::table('versions')
                ->where(['item_id' => $copy->id, 'cause' => 'copied'])
                ->update(['facts' => DB::raw("json_set(facts, '$.number', {$copied->number})")]);
        foreach (['touches', 'shared_touches', 'gone_versions', 'carried'] as $table) {
            $this->rows($table, $from, $copy, $until, ['id']);
        }
        $this->milestones($from, $copy, $until);
        DB::insert(
            'INSERT INTO activity (item_id, day, user_id, versions) SELECT item_id, date(saved_at), user_id, COUNT(*) FROM versions WHERE item_id = ? GROUP BY date(saved_at), user_id',
            [$copy->id],
        );
        DB::insert(
            "INSERT OR IGNORE INTO pictures (item_id, {$this->columns('pictures', [
                'id',
                'item_id',
                'is_public',
                'is_published',
            ])}) SELECT ?, {$this->columns('pictures', ['id', 'item_id', 'is_public', 'is_published'])} FROM pictures WHERE item_id = ?",
            [$copy->id, $from->id],
        );
        $isRead = $from->is_read && $this->lives->copy($from, $copy, $until);
        $copy
            ->forceFill([
                'head' => $until,
                'root' => $version->root,
                'formulas' => $from->formulas,
                'is_read' => $isRead,
                'gone' => DB::table('gone_versions')->where('item_id', $copy->id)->count(),
            ])
            ->save();
    }

    private function milestones(Item $from, Item $copy, int $until): void
    {
        DB::insert(
            <<<'SQL'
            INSERT INTO milestones (version_id, item_id, user_id, name, note, created_at, updated_at)
            SELECT own.id, own.item_id, m.user_id, m.name, m.note, m.created_at, m.updated_at
            FROM milestones m
            JOIN versions v ON v.id = m.version_id
            JOIN versions own ON own.item_id = ? AND own.number = v.number
            WHERE v.item_id = ? AND v.number <= ?
            SQL,
            [$copy->id, $from->id, $until],
        );
    }

    /** @param list<string> $without columns that are the copy's own */
    private function rows(string $table, Item $from, Item $copy, int $until, array $without): void
    {
        $columns = $this->columns($table, [...$without, 'item_id']);
        DB::insert("INSERT INTO {$table} (item_id, {$columns}) SELECT ?, {$columns} FROM {$table} WHERE item_id = ? AND number <= ?", [
            $copy->id,
            $from->id,
            $until,
        ]);
    }

    /** @param list<string> $without */
    private function columns(string $table, array $without): string
    {
        return implode(', ', array_diff(array_column(DB::select("PRAGMA table_info({$table})"), 'name'), $without));
    }
}
