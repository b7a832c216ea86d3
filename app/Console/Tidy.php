<?php

declare(strict_types=1);

namespace App\Console;

use App\Store\DatasetColumns;
use App\Store\HandedRoots;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** To be run now and then: forgets who was where, and which states windows that are long closed had sent. Versions stay. */
final class Tidy extends Command
{
    /** Days for which somebody may go on with answers that were not sent. */
    private const HALF_DAYS = 30;

    protected $signature = 'attic:tidy';

    protected $description = 'Forgets presences, columns of datasets that nobody looks at, the states that windows stood on which were closed long ago, and answers that nobody went on with';

    public function handle(HandedRoots $handed): int
    {
        [$roots, $windows] = $handed->tidy();
        $presences = DB::table('presences')->where('seen_at', '<', now()->subDay())->delete();
        $halves = DB::table('half_answers')->where('kept_at', '<', now()->subDays(self::HALF_DAYS)->format('Y-m-d H:i:s'))->delete();
        $columns = DB::table('dataset_columns')->where('used_at', '<', now()->subDays(DatasetColumns::DAYS)->format('Y-m-d H:i:s'))->delete();
        $this->line("{$roots} states, {$windows} windows, {$presences} presences, {$halves} half-sent answers and {$columns} columns forgotten.");

        return self::SUCCESS;
    }
}
