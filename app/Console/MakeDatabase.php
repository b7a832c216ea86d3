<?php

declare(strict_types=1);

namespace App\Console;

use App\Database\DatabaseFile;
use Illuminate\Console\Command;

final class MakeDatabase extends Command
{
    protected $signature = 'attic:database {--reset : Throw away what is there}';

    protected $description = 'Makes the database file and brings its tables up to date';

    public function handle(): int
    {
        $path = (string) config('database.connections.sqlite.database');
        if ($this->option('reset')) {
            foreach (['', '-wal', '-shm'] as $ending) {
                if (is_file($path.$ending)) {
                    unlink($path.$ending);
                }
            }
        }
        DatabaseFile::make($path);

        return $this->call('migrate', ['--force' => true]);
    }
}
