<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A thread may be about a place in a picture. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared('ALTER TABLE threads ADD COLUMN spot TEXT');
    }
};
