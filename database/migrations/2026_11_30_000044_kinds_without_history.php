<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Kinds of which a shelf keeps no history, as a JSON list. Of forms it is the form's own history; that of its entries is switched at the form. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared("ALTER TABLE shelves ADD COLUMN unkept_kinds TEXT NOT NULL DEFAULT '[]'");
    }
};
