<?php

declare(strict_types=1);

use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;

/* Asks a release, before anybody sees it, whether it is well: php deploy/check.php says so when it is. */
require __DIR__.'/../vendor/autoload.php';
$app = require __DIR__.'/../bootstrap/app.php';
$kernel = $app->make(Kernel::class);
$app->instance('request', Request::create('/'));
$kernel->bootstrap();
foreach (['/up', '/sign-in'] as $path) {
    $response = $kernel->handle(Request::create(rtrim((string) config('app.url'), '/').$path));
    if ($response->getStatusCode() !== 200) {
        fwrite(STDERR, "{$path} answers {$response->getStatusCode()}\n");
        exit(1);
    }
}
echo "well\n";
