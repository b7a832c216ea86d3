<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What somebody proposes is written on a side line: an item beside the item, with versions of its own. What is answered of it becomes a proposal of its own, which stays. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE items ADD COLUMN line_of INTEGER REFERENCES items (id) ON DELETE CASCADE;
            CREATE INDEX items_line_of ON items (line_of) WHERE line_of IS NOT NULL;
            ALTER TABLE proposals ADD COLUMN line_id INTEGER REFERENCES items (id) ON DELETE SET NULL;
            ALTER TABLE proposals ADD COLUMN began INTEGER;
            ALTER TABLE proposals ADD COLUMN stands INTEGER;
            ALTER TABLE proposals ADD COLUMN decided INTEGER;
            ALTER TABLE proposals ADD COLUMN met TEXT NOT NULL DEFAULT '[]';
            CREATE INDEX proposals_line ON proposals (line_id) WHERE line_id IS NOT NULL;
            CREATE UNIQUE INDEX proposals_one_line ON proposals (item_id, user_id) WHERE state = 'waiting' AND line_id IS NOT NULL;
            CREATE TABLE proposal_states (
                proposal_id INTEGER NOT NULL REFERENCES proposals (id) ON DELETE CASCADE,
                number INTEGER NOT NULL,
                base TEXT NOT NULL,
                root TEXT NOT NULL,
                PRIMARY KEY (proposal_id, number)
            ) WITHOUT ROWID;
            ALTER TABLE shelves ADD COLUMN viewers_propose INTEGER NOT NULL DEFAULT 0 CHECK (viewers_propose IN (0, 1));
        SQL);
    }
};
