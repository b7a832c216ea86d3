<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\PlaceLine;
use App\Models\ProposalState;
use App\Models\Role;
use App\Models\User;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;

/**
 * Somebody who has two accounts has one. All that the one did is the other's from then on: versions and touches, talk, proposals,
 * publishings, the places on shelves (the stronger role of two). It can't be undone.
 */
final class MergePeople
{
    /**
     * What can be said of both: what is left there says of the one what is said of the other already. Anywhere else nothing goes; what
     * can't be put under the other's name ends all of it.
     */
    private const SAID_TWICE = ['digests', 'memberships', 'mentions', 'put_aside', 'shared_touches', 'watches'];

    /**
     * @return list<string> the titles of the items for which both propose changes: these are answered or withdrawn first, since nobody has
     *     two proposals for one item
     */
    public function inTheWay(User $double, User $person): array
    {
        $open = fn (User $of) => DB::table('proposals')
            ->where('state', ProposalState::Waiting->value)
            ->whereNotNull('line_id')
            ->where('user_id', $of->id);

        return array_values(
            array_map(
                strval(...),
                $open($double)
                    ->joinSub(
                        $open($person)->select('item_id', 'said_by'),
                        'theirs',
                        fn (JoinClause $both) => $both
                            ->on('theirs.item_id', '=', 'proposals.item_id')
                            ->whereRaw("coalesce(theirs.said_by, '') = coalesce(proposals.said_by, '')"),
                    )
                    ->join('items', 'items.id', '=', 'proposals.item_id')
                    ->orderBy('items.title')
                    ->limit(5)
                    ->pluck('items.title')
                    ->all(),
            ),
        );
    }

    public function handle(User $keeper, User $double, User $person): void
    {
        DB::transaction(function () use ($keeper, $double, $person): void {
            $this->shelves($double, $person);
            $this->days($double, $person);
            $this->facts($double, $person);
            foreach ($this->columns() as [$table, $column]) {
                $isTwice = in_array($table, self::SAID_TWICE, true);
                DB::statement('UPDATE '.($isTwice ? 'OR IGNORE ' : '')."\"{$table}\" SET \"{$column}\" = ? WHERE \"{$column}\" = ?", [
                    $person->id,
                    $double->id,
                ]);
                $isTwice && DB::table($table)->where($column, $double->id)->delete();
            }
            $person->forceFill(['keeps_place' => $person->keeps_place || $double->keeps_place])->save();
            $double->delete();
            PlaceLine::note($keeper, 'merged', "{$double->name} ({$double->email}), {$person->name} ({$person->email})");
        });
    }

    private function shelves(User $double, User $person): void
    {
        $own = DB::table('memberships')->where('user_id', $person->id)->get()->keyBy('shelf_id');
        foreach (DB::table('memberships')->where('user_id', $double->id)->get() as $theirs) {
            $mine = $own->get($theirs->shelf_id);
            if ($mine !== null) {
                $role = Role::from((string) $theirs->role)->atLeast(Role::from((string) $mine->role)) ? $theirs->role : $mine->role;
                DB::table('memberships')
                    ->where('id', $mine->id)
                    ->update(['role' => $role, 'publishes' => max($mine->publishes, $theirs->publishes)]);
            }
        }
    }

    /** How much was done on a day is told by person: of the days that both have, it is the sum. */
    private function days(User $double, User $person): void
    {
        DB::statement(
            'INSERT INTO activity (item_id, day, user_id, versions) SELECT item_id, day, ?, versions FROM activity WHERE user_id = ? ON CONFLICT (item_id, day, user_id) DO UPDATE SET versions = versions + excluded.versions',
            [$person->id, $double->id],
        );
        DB::table('activity')->where('user_id', $double->id)->delete();
    }

    /** Versions that several wrote, or that took out what somebody wrote, name people by their ids. */
    private function facts(User $double, User $person): void
    {
        DB::update("UPDATE versions SET facts = json_set(facts, '$.author', ?) WHERE json_extract(facts, '$.author') = ?", [
            $person->id,
            $double->id,
        ]);
        DB::update(
            "UPDATE versions SET facts = json_set(facts, '$.by', (SELECT json_group_array(DISTINCT CASE WHEN value = ?1 THEN ?2 ELSE value END) FROM json_each(facts, '$.by')))
            WHERE json_type(facts, '$.by') = 'array' AND EXISTS (SELECT 1 FROM json_each(facts, '$.by') WHERE value = ?1)",
            [$double->id, $person->id],
        );
    }

    /** @return list<array{string, string}> each table and column that names somebody */
    private function columns(): array
    {
        $columns = [];
        foreach (
            DB::select(
                "SELECT t.name AS name, f.\"from\" AS \"column\" FROM sqlite_master t JOIN pragma_foreign_key_list(t.name) f ON f.\"table\" = 'users' WHERE t.type = 'table' ORDER BY t.name",
            ) as $row
        ) {
            $columns[] = [(string) $row->name, (string) $row->column];
        }

        return $columns;
    }
}
