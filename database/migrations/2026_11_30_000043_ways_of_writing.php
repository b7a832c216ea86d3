<?php

declare(strict_types=1);

use App\Words\Ways;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** How somebody writes numbers and dates ({@see Ways}); '' for as the place does. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared("ALTER TABLE users ADD COLUMN numbers TEXT NOT NULL DEFAULT ''");
        DB::unprepared("ALTER TABLE users ADD COLUMN dates TEXT NOT NULL DEFAULT ''");
    }
};
