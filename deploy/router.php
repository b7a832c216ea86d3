<?php

declare(strict_types=1);

/* For PHP's built-in server: files of public/ as they are, all else to the application. What is built has a name of its own for each content, so nobody asks for it twice. */
$path = urldecode((string) parse_url($_SERVER['REQUEST_URI'], PHP_URL_PATH));
$file = __DIR__.'/../public'.$path;
if ($path !== '/' && ! str_contains($path, '..') && is_file($file)) {
    $type = ['css' => 'text/css', 'js' => 'text/javascript', 'woff' => 'font/woff', 'woff2' => 'font/woff2', 'svg' => 'image/svg+xml'][
        pathinfo($file, PATHINFO_EXTENSION)
    ] ?? null;
    if ($type === null || ! str_starts_with($path, '/build/assets/')) {
        return false;
    }
    header("Content-Type: {$type}");
    header('Content-Length: '.filesize($file));
    header('Cache-Control: public, max-age=31536000, immutable');
    readfile($file);

    return true;
}
$_SERVER['SCRIPT_NAME'] = '/index.php';

require __DIR__.'/../public/index.php';
