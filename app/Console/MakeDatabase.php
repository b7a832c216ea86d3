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
        if (! DatabaseFile::fits($path)) {
            $this->error(
                "The database {$path} is laid out as an earlier state of this product did, before its first release. Move it away, or begin anew with --reset.",
            );

            return self::FAILURE;
        }

        return $this->call('migrate', ['--force' => true]);
    }
}
