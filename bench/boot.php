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
// A machine on which the application was never started has no key.
foreach (
    [
        'DB_DATABASE' => $database,
        'APP_KEY' => 'base64:'.base64_encode(str_repeat('k', 32)),
        'APP_CONFIG_CACHE' => '/nowhere',
        'CACHE_STORE' => 'array',
        'SESSION_DRIVER' => 'array',
        'QUEUE_CONNECTION' => 'sync',
    ] as $name => $value
) {
    putenv("{$name}={$value}");
    $_ENV[$name] = $_SERVER[$name] = $value;
}
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
