<?php

declare(strict_types=1);

namespace App\Console;

use Exception;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use SQLite3;

/** A copy of the whole place while people write, by SQLite's online backup, read back before it is called one. */
final class Backup extends Command
{
    protected $signature = 'attic:backup {file? : Where to; by the time below storage/backups when it is left out} {--keep=14 : How many of those below storage/backups stay}';

    protected $description = 'Copies the database while it is in use, and reads the copy back';

    public function handle(): int
    {
        $source = (string) DB::connection()->getDatabaseName();
        $given = $this->argument('file');
        $folder = storage_path('backups');
        is_string($given) || is_dir($folder) || mkdir($folder, 0o750, true);
        $file = is_string($given) ? $given : "{$folder}/attic-".now()->format('Ymd-His').'.sqlite';
        if (file_exists($file)) {
            $this->error("{$file} is there already: nothing was written over.");

            return self::FAILURE;
        }
        // Half a copy is none: it gets its name when it was read back.
        $half = "{$file}.part";
        @unlink($half);
        try {
            $from = new SQLite3($source, SQLITE3_OPEN_READONLY);
            $from->busyTimeout(30_000);
            $to = new SQLite3($half);
            $stood = $this->newest($from);
            $wrong = $from->backup($to) ? $this->wrong($to, $stood) : 'SQLite could not copy it';
            $to->close();
            $from->close();
        } catch (Exception $e) {
            $wrong = lcfirst($e->getMessage());
        }
        if ($wrong !== null) {
            @unlink($half);
            $this->error("No backup was made: {$wrong}.");

            return self::FAILURE;
        }
        chmod($half, 0o640);
        rename($half, $file);
        $this->info("{$file}, ".number_format((int) filesize($file)).' bytes, read back.');
        is_string($given) || $this->thin($folder, max(1, (int) $this->option('keep')));

        return self::SUCCESS;
    }

    /** @param array<string, int> $stood newest rows when the copying began */
    private function wrong(SQLite3 $copy, array $stood): ?string
    {
        $check = $copy->querySingle('PRAGMA quick_check(1)');
        if ($check !== 'ok') {
            return 'it does not read back'.(is_string($check) ? " ({$check})" : '');
        }
        // What was written meanwhile may be in it or not; nothing that was there before is wanting.
        foreach ($this->newest($copy) as $table => $newest) {
            if ($newest < $stood[$table]) {
                return "its {$table} are wanting";
            }
        }

        return null;
    }

    /** @return array<string, int> table => its newest row, of those whose rows never go */
    private function newest(SQLite3 $database): array
    {
        $newest = [];
        foreach (['versions', 'items', 'users'] as $table) {
            $newest[$table] = (int) $database->querySingle("SELECT max(id) FROM {$table}");
        }

        return $newest;
    }

    private function thin(string $folder, int $keep): void
    {
        $files = glob("{$folder}/attic-*.sqlite") ?: [];
        sort($files);
        array_map(unlink(...), array_slice($files, 0, max(0, count($files) - $keep)));
    }
}
