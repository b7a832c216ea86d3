<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Task;
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

    protected $description = 'Forgets presences, columns of datasets that nobody looks at, the states that windows stood on which were closed long ago, answers that nobody went on with, and files that were sent to forms and became part of nothing';

    public function handle(HandedRoots $handed): int
    {
        [$roots, $windows] = $handed->tidy();
        $presences = DB::table('presences')->where('seen_at', '<', now()->subDay())->delete();
        $halves = DB::table('half_answers')->where('kept_at', '<', now()->subDays(self::HALF_DAYS)->format('Y-m-d H:i:s'))->delete();
        $columns = DB::table('dataset_columns')->where('used_at', '<', now()->subDays(DatasetColumns::DAYS)->format('Y-m-d H:i:s'))->delete();
        $files = $this->sweepFiles();
        foreach (Task::query()->where('created_at', '<', now()->subDay())->get() as $task) {
            array_map(fn (string $path) => is_file($path) && unlink($path), [storage_path("app/work/{$task->key}.in"), storage_path("app/work/{$task->key}.out")]);
            $task->delete();
        }
        $this->line("{$roots} states, {$windows} windows, {$presences} presences, {$halves} half-sent answers, {$columns} columns and {$files} files that belong to nothing forgotten.");

        return self::SUCCESS;
    }

    /** What was sent to a form and became part of no entry, nor of answers that somebody may still go on with. */
    private function sweepFiles(): int
    {
        $count = 0;
        $unused = DB::table('pictures')->where('is_used', 0)->where('updated_at', '<', now()->subDays(self::HALF_DAYS + 1)->format('Y-m-d H:i:s'))->get(['id', 'chunk']);
        foreach ($unused as $picture) {
            $count += DB::table('pictures')->where('id', $picture->id)->delete();
            if (DB::table('pictures')->where('chunk', $picture->chunk)->doesntExist()) {
                DB::delete('DELETE FROM chunks WHERE address = CAST(? AS BLOB) AND NOT EXISTS (SELECT 1 FROM chunks AS other WHERE other.base = chunks.id)', [hex2bin((string) $picture->chunk)]);
            }
        }

        return $count;
    }
}
