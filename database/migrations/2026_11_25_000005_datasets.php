<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    /* A dataset may follow another item, or stay as that stood in one version. Its columns are kept by the address of a state, for figures. */
    public function up(): void
    {
        foreach (array_filter(array_map(trim(...), explode(";\n", self::SCHEMA))) as $statement) {
            DB::statement($statement);
        }
    }

    private const SCHEMA = <<<'SQL'
        ALTER TABLE items ADD COLUMN source_id INTEGER REFERENCES items (id);
        ALTER TABLE items ADD COLUMN source_tab TEXT;
        ALTER TABLE items ADD COLUMN source_number INTEGER;
        ALTER TABLE items ADD COLUMN source_state TEXT;
        ALTER TABLE items ADD COLUMN pins INTEGER NOT NULL DEFAULT 1 CHECK (pins IN (0, 1));
        ALTER TABLE publishings ADD COLUMN data TEXT;
        ALTER TABLE versions ADD COLUMN with_id INTEGER REFERENCES versions (id);
        CREATE INDEX items_source ON items (source_id) WHERE source_id IS NOT NULL;
        CREATE TABLE dataset_columns (
            root TEXT NOT NULL,
            field TEXT NOT NULL,
            content TEXT NOT NULL,
            used_at TEXT NOT NULL,
            PRIMARY KEY (root, field)
        ) WITHOUT ROWID;
        SQL;
};
