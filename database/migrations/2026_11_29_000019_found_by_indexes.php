<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What the main pages ask for is found without reading a table that grows. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE milestones ADD COLUMN item_id INTEGER REFERENCES items (id);
            UPDATE milestones SET item_id = (SELECT item_id FROM versions WHERE versions.id = milestones.version_id);
            CREATE INDEX milestones_item ON milestones (item_id);
            CREATE INDEX versions_root ON versions (root);
            CREATE INDEX items_of_shelf ON items (shelf_id, changed_at) WHERE form_id IS NULL;
            CREATE INDEX items_datasets ON items (id) WHERE kind = 'dataset';
        SQL);
    }
};
