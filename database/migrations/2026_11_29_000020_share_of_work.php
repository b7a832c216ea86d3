<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** How far a task has come, in percent. */
return new class extends Migration {
    public function up(): void
    {
        DB::statement('ALTER TABLE tasks ADD COLUMN share INTEGER CHECK (share BETWEEN 0 AND 100)');
    }
};
