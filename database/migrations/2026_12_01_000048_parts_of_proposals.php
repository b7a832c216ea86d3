<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A part of what is proposed that was answered never stood by itself: it began with its answer. */
return new class extends Migration {
    public function up(): void
    {
        DB::update('UPDATE proposals SET began = decided WHERE decided IS NOT NULL AND EXISTS (SELECT 1 FROM proposals whole WHERE whole.line_id = proposals.line_id AND whole.id < proposals.id AND whole.began = proposals.began)');
    }
};
