<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** The zone that somebody reads times in; '' for that of the device, which mails don't know. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared("ALTER TABLE users ADD COLUMN zone TEXT NOT NULL DEFAULT ''");
    }
};
