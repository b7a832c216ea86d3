<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Presence;
use App\Models\Rooms;
use App\Models\Task;
use App\Saving\Rules;
use App\Store\HandedRoots;
use App\Store\Lives\Lives;
use App\Store\Sweep;
use App\View\Desks\Desk;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;

/**
 * To be run every night: forgets who was where, and which states windows that are long closed had sent, and gives back what no state needs
 * any more. Versions stay.
 */
final class Tidy extends Command
{
    /** Days for which somebody may go on with answers that were not sent. */
    private const HALF_DAYS = 30;

    protected $signature = 'attic:tidy {--at-once : Gives back also what came within the last day}';

    protected $description = 'Forgets windows that were closed long ago, columns of datasets that nobody looks at, the states that windows stood on which were closed long ago, answers that nobody went on with, files on their way that stopped, and files that were sent to forms and became part of nothing';

    public function handle(HandedRoots $handed, Sweep $sweep, Lives $lives): int
    {
        $lives->tidy();
        $kinds = array_map(fn (Kind $kind) => $kind->name(), Kinds::all());
        [$roots, $windows] = $handed->tidy(
            array_values(array_filter($kinds, fn (string $kind) => Rooms::of($kind, Desk::class)::SENDS_STATES)),
        );
        $presences = Presence::query()
            ->where('seen_at', '<', now()->subDays(HandedRoots::DAYS)->getTimestamp())
            ->delete();
        $halves = DB::table('half_answers')
            ->where('kept_at', '<', now()->subDays(self::HALF_DAYS)->format('Y-m-d H:i:s'))
            ->delete();
        $more = implode(
            '',
            array_map(
                fn (string $said) => "{$said}, ",
                array_merge([], ...array_map(fn (string $kind) => Rooms::of($kind, Rules::class)->forget(), $kinds)),
            ),
        );
        $files = $this->sweepFiles();
        foreach (Task::query()->where('created_at', '<', now()->subDay())->get() as $task) {
            array_map(fn (string $path) => is_file($path) && unlink($path), [
                storage_path("app/work/{$task->key}.in"),
                storage_path("app/work/{$task->key}.out"),
            ]);
            $task->delete();
        }
        [$chunks, $bytes] = $sweep->handle((bool) $this->option('at-once'));
        $this->line(
            "{$roots} states, {$windows} windows, {$presences} presences, {$halves} half-sent answers, {$more}{$files} files that belong to nothing forgotten; {$chunks} chunks of "
                .number_format($bytes)
                .' bytes given back.',
        );

        return self::SUCCESS;
    }

    /** What was sent to a form and became part of no entry, nor of answers that somebody may still go on with. */
    private function sweepFiles(): int
    {
        $count = 0;
        $unused = DB::table('pictures')
            ->where('is_used', 0)
            ->where(
                'updated_at',
                '<',
                now()
                    ->subDays(self::HALF_DAYS + 1)
                    ->format('Y-m-d H:i:s'),
            )
            ->get(['id', 'chunk']);
        foreach ($unused as $picture) {
            $count += DB::table('pictures')->where('id', $picture->id)->delete();
        }

        return $count;
    }
}
