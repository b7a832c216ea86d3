<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Changes of entries that wait for a yes lie beside the entry: what was agreed to is the newest state again. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE proposals (
                id INTEGER PRIMARY KEY,
                item_id INTEGER NOT NULL REFERENCES items (id),
                user_id INTEGER NOT NULL REFERENCES users (id),
                base TEXT NOT NULL,
                root TEXT NOT NULL,
                state TEXT NOT NULL CHECK (state IN ('waiting', 'accepted', 'declined', 'withdrawn')),
                proposed_at TEXT NOT NULL,
                decider_id INTEGER REFERENCES users (id),
                word TEXT,
                decided_at TEXT,
                told_at TEXT,
                version_id INTEGER REFERENCES versions (id)
            );
            CREATE INDEX proposals_item ON proposals (item_id);
            CREATE INDEX proposals_version ON proposals (version_id);
            CREATE INDEX proposals_waiting ON proposals (item_id) WHERE state = 'waiting';

            INSERT INTO proposals (item_id, user_id, base, root, state, proposed_at, decider_id, word, decided_at, told_at, version_id)
            SELECT p.item_id, p.user_id, b.root, v.root,
                   CASE p.state WHEN 'published' THEN 'accepted' WHEN 'refused' THEN 'declined' WHEN 'waiting' THEN 'waiting' ELSE 'withdrawn' END,
                   p.asked_at, p.decider_id, p.answer, p.decided_at, p.told_at, CASE p.state WHEN 'published' THEN p.version_id END
            FROM publishings p JOIN items i ON i.id = p.item_id AND i.kind = 'entry' JOIN versions v ON v.id = p.version_id
            JOIN versions b ON b.item_id = p.item_id AND b.number = v.number - 1
            WHERE p.state != 'published' OR p.decider_id IS NOT p.user_id;

            -- What everybody sees of an entry becomes its newest version, by who agreed to it.
            INSERT INTO versions (item_id, number, root, user_id, cause, source, kept, facts, added, removed, unkept, started_at, saved_at)
            SELECT i.id, i.head + 1, v.root, p.decider_id, 'restored', v.number, 0, '{"code":"nothing","values":[],"more":0}', 0, 0, 0, i.changed_at, i.changed_at
            FROM items i JOIN publishings p ON p.id = i.live_id JOIN versions v ON v.id = p.version_id WHERE i.kind = 'entry' AND v.root != i.root;
            UPDATE items SET head = head + 1, root = (SELECT v.root FROM publishings p JOIN versions v ON v.id = p.version_id WHERE p.id = items.live_id)
            WHERE kind = 'entry' AND live_id IS NOT NULL AND root != (SELECT v.root FROM publishings p JOIN versions v ON v.id = p.version_id WHERE p.id = items.live_id);
            UPDATE items SET live_id = NULL WHERE kind = 'entry';
            DELETE FROM publishings WHERE item_id IN (SELECT id FROM items WHERE kind = 'entry');
        SQL);
    }
};
