<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Who is here lies in a file of its own; and what no state needs any more is given back, once it is a day old. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            DROP TABLE presences;
            CREATE INDEX chunks_base ON chunks (base) WHERE base IS NOT NULL;
            CREATE TABLE sweeps (
                at INTEGER PRIMARY KEY,
                newest INTEGER NOT NULL
            );
        SQL);
    }
};
