<?php

declare(strict_types=1);

use App\Kinds\Report\DrawnFrom;
use App\Models\Item;
use App\Store\States;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    /* Which datasets the newest state of each report names, so that what hangs on one is found without reading every report. */
    public function up(): void
    {
        DB::statement(<<<'SQL'
            CREATE TABLE report_sources (
                report_id INTEGER NOT NULL REFERENCES items (id) ON DELETE CASCADE,
                source TEXT NOT NULL,
                PRIMARY KEY (report_id, source)
            ) WITHOUT ROWID
            SQL);
        DB::statement('CREATE INDEX report_sources_source ON report_sources (source)');
        $drawn = app(DrawnFrom::class);
        Item::query()->withoutGlobalScopes()->where('kind', 'report')->each(fn (Item $report) => $drawn->keep($report, app(States::class)->tree($report->root)));
    }
};
