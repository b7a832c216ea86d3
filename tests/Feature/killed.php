<?php

declare(strict_types=1);

/* Runs a command of artisan and is killed before so many queries of it, as by a machine that stops: `php killed.php QUERIES COMMAND [--OPTION…]`. Says how many it were when it lives. */

use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../../vendor/autoload.php';

[, $at, $command] = $argv;
$app = require __DIR__.'/../../bootstrap/app.php';
$kernel = $app->make(Kernel::class);
$kernel->bootstrap();
$asked = 0;
DB::beforeExecuting(function () use (&$asked, $at): void {
    if (++$asked === (int) $at) {
        posix_kill((int) getmypid(), SIGKILL);
    }
});
$kernel->call($command, array_fill_keys(array_slice($argv, 3), true));
echo $asked;
