<?php

/*
 * Starts the application with an empty database of its own for a benchmark: gives it $quick, $time, $database, $app, $user and $shelf.
 */

declare(strict_types=1);

use App\Database\DatabaseFile;
use App\Models\Shelf;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\Artisan;

require __DIR__.'/../vendor/autoload.php';
$quick = in_array('--quick', $argv, true);
$database = (string) tempnam(sys_get_temp_dir(), 'attic-bench');
putenv("DB_DATABASE={$database}");
$_ENV['DB_DATABASE'] = $_SERVER['DB_DATABASE'] = $database;
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
// The framework tells of an exception and ends as if all were well.
set_exception_handler(function (Throwable $e): never {
    fwrite(STDERR, (string) $e);
    exit(1);
});
DatabaseFile::make($database);
Artisan::call('migrate', ['--force' => true]);
ini_set('memory_limit', '1G');
$user = User::factory()->called('Bench')->create();
$shelf = Shelf::factory()->with($user)->create();
/** @return float the middle of some runs, in ms */
$time = function (Closure $work) use ($quick): float {
    $times = [];
    for ($run = 0; $run < ($quick ? 2 : 7); $run++) {
        $start = hrtime(true);
        $work($run);
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);

    return $times[intdiv(count($times), 2)];
};
