<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        foreach (array_filter(array_map(trim(...), explode(";\n", self::SCHEMA))) as $statement) {
            DB::statement($statement);
        }
    }

    private const SCHEMA = <<<'SQL'
        CREATE TABLE publishings (
            id INTEGER PRIMARY KEY,
            item_id INTEGER NOT NULL REFERENCES items (id),
            version_id INTEGER NOT NULL REFERENCES versions (id),
            title TEXT NOT NULL CHECK (length(title) BETWEEN 1 AND 200),
            state TEXT NOT NULL CHECK (state IN ('waiting', 'published', 'refused', 'withdrawn', 'edited')),
            user_id INTEGER NOT NULL REFERENCES users (id),
            note TEXT,
            asked_at TEXT NOT NULL,
            decider_id INTEGER REFERENCES users (id),
            answer TEXT,
            decided_at TEXT,
            told_at TEXT,
            count INTEGER CHECK (count > 0),
            ended_at TEXT,
            ender_id INTEGER REFERENCES users (id),
            created_at TEXT,
            updated_at TEXT,
            UNIQUE (item_id, count),
            CHECK ((state = 'published') = (count IS NOT NULL)),
            CHECK ((state = 'waiting') = (decider_id IS NULL) AND (decider_id IS NULL) = (decided_at IS NULL)),
            CHECK (ended_at IS NULL OR state = 'published'),
            CHECK (ender_id IS NULL OR ended_at IS NOT NULL)
        );
        CREATE UNIQUE INDEX publishings_live ON publishings (item_id) WHERE state = 'published' AND ended_at IS NULL;
        CREATE UNIQUE INDEX publishings_waiting ON publishings (item_id) WHERE state = 'waiting';
        CREATE INDEX publishings_version ON publishings (version_id);
        ALTER TABLE items ADD COLUMN live_id INTEGER REFERENCES publishings (id);
        ALTER TABLE items ADD COLUMN address TEXT;
        ALTER TABLE items ADD COLUMN is_public INTEGER NOT NULL DEFAULT 0 CHECK (is_public IN (0, 1) AND (is_public = 0 OR address IS NOT NULL));
        CREATE UNIQUE INDEX items_address ON items (address);
        ALTER TABLE pictures ADD COLUMN is_published INTEGER NOT NULL DEFAULT 0 CHECK (is_published IN (0, 1));
        ALTER TABLE memberships ADD COLUMN publishes INTEGER NOT NULL DEFAULT 0 CHECK (publishes IN (0, 1));
        ALTER TABLE shelves ADD COLUMN asks INTEGER NOT NULL DEFAULT 0 CHECK (asks IN (0, 1));
        ALTER TABLE shelves ADD COLUMN drafts TEXT NOT NULL DEFAULT 'editors' CHECK (drafts IN ('editors', 'approvers', 'everyone'));
        SQL;
};
