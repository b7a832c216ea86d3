<?php

return [
    'default' => 'sqlite',
    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('DB_DATABASE') ?: storage_path('attic.sqlite'),
            'prefix' => '',
            'foreign_key_constraints' => true,
            'busy_timeout' => 5000,
            'journal_mode' => 'WAL',
            'synchronous' => 'NORMAL',
        ],
        // Who is here: lost at any time, and made anew.
        'presence' => [
            'driver' => 'sqlite',
            'database' => (env('DB_DATABASE') ?: storage_path('attic.sqlite')).'.presence',
            'prefix' => '',
            'foreign_key_constraints' => false,
            'busy_timeout' => 2000,
            'synchronous' => 'OFF',
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
