<?php

declare(strict_types=1);

/* For PHP's built-in server: files of public/ as they are, all else to the application. */
$path = urldecode((string) parse_url($_SERVER['REQUEST_URI'], PHP_URL_PATH));
if ($path !== '/' && ! str_contains($path, '..') && is_file(__DIR__.'/../public'.$path)) {
    return false;
}
$_SERVER['SCRIPT_NAME'] = '/index.php';

require __DIR__.'/../public/index.php';
