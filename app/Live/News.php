<?php

declare(strict_types=1);

namespace App\Live;

use PDO;

/**
 * Whether anything moved that an open window shows: the state of its item, who else is here and where, what waits to be settled, what a
 * report draws from, and what its person may do. It needs nothing else of the application, so that `public/live.php` can say so without
 * starting that; what moved, and whether it may be seen, the application says.
 */
final readonly class News
{
    /** Seconds after which somebody who is not heard of is away. */
    public const AWAY = 12;

    /** Seconds after which it is written again that somebody is here. */
    public const NOTED = 4;

    /** Seconds for which a window may ask shortly before it has to ask in full again. */
    public const TICKET = 120;

    /** Whose an edit is to settle goes by what its author may do. */
    private const MOVED = <<<'SQL'
    SELECT i.root, i.head, i.title, i.talked, i.shelf_id, i.deleted_at, (SELECT deleted_at FROM shelves WHERE id = i.shelf_id),
        (SELECT role FROM memberships WHERE shelf_id = i.shelf_id AND user_id = :user),
        (SELECT count(*) || ' ' || coalesce(max(h.id), 0) || ' ' || group_concat(coalesce(m.role, '-') || coalesce(u.left_at, '')) FROM held_edits h LEFT JOIN memberships m ON m.shelf_id = i.shelf_id AND m.user_id = h.user_id LEFT JOIN users u ON u.id = h.user_id WHERE h.item_id = i.id AND h.settled_at IS NULL),
        (SELECT group_concat(s.root) FROM report_sources r JOIN items s ON s.key = r.source WHERE r.report_id = i.id)
    FROM items i WHERE i.id = :item
    SQL;

    public function __construct(private PDO $place, private PDO $presence) {}

    /**
     * Notes where a window is. Nothing is written when that is known.
     *
     * @param  string|null  $part  where the caret is
     * @param  string|null  $base  the root that the window is on
     * @param  string|null  $ticket  with which it may ask shortly from now on; null when it did just that
     */
    public function note(int $item, int $user, string $client, ?string $part, ?string $base, int $now, ?string $ticket = null): void
    {
        $known = $this->row($item, $client);
        if (
            $known === null
            || $ticket !== null
            || $known['part'] !== $part
            || $known['base'] !== $base
            || $known['seen_at'] < $now - self::NOTED
        ) {
            $this->presence
                ->prepare(
                    <<<'SQL'
                    INSERT INTO presences (item_id, client, user_id, part, base, seen_at, ticket, asked_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)
                    ON CONFLICT (item_id, client) DO UPDATE SET
                        user_id = excluded.user_id, part = excluded.part, base = excluded.base, seen_at = excluded.seen_at,
                        asked_at = iif(excluded.ticket IS NULL, asked_at, excluded.asked_at), ticket = coalesce(excluded.ticket, ticket)
                    SQL
                    ,
                )
                ->execute([$item, $client, $user, $part, $base, $now, $ticket, $now]);
        }
    }

    /** @return int|null whose window it is; null when it has to ask in full */
    public function holder(int $item, string $client, string $ticket, int $now): ?int
    {
        $known = $this->row($item, $client);

        return $known !== null
            && $known['ticket'] !== null
            && hash_equals((string) $known['ticket'], $ticket)
            && $known['asked_at'] > $now - self::TICKET
            ? (int) $known['user_id']
            : null;
    }

    /** @return string another one whenever something moved */
    public function stamp(int $item, int $user, int $now): string
    {
        $moved = $this->place->prepare(self::MOVED);
        $moved->execute(['user' => $user, 'item' => $item]);
        $others = $this->presence->prepare(
            'SELECT user_id, part FROM presences WHERE item_id = ? AND user_id != ? AND seen_at > ? ORDER BY user_id, seen_at, client',
        );
        $others->execute([$item, $user, $now - self::AWAY]);

        return hash('xxh128', serialize([$moved->fetchAll(PDO::FETCH_NUM), array_column($others->fetchAll(PDO::FETCH_NUM), 1, 0)]));
    }

    /** @return array{user_id: int, part: string|null, base: string|null, seen_at: int, ticket: string|null, asked_at: int}|null */
    private function row(int $item, string $client): ?array
    {
        $known = $this->presence->prepare(
            'SELECT user_id, part, base, seen_at, ticket, asked_at FROM presences WHERE item_id = ? AND client = ?',
        );
        $known->execute([$item, $client]);
        /** @var array{user_id: int, part: string|null, base: string|null, seen_at: int, ticket: string|null, asked_at: int}|false $row */
        $row = $known->fetch(PDO::FETCH_ASSOC);

        return $row === false ? null : $row;
    }
}
