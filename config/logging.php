<?php

return [
    // A file a day, kept for two weeks; each line names the request or the job that wrote it.
    'default' => env('LOG_CHANNEL', 'daily'),

    'channels' => [
        'daily' => [
            'driver' => 'daily',
            'path' => storage_path('logs/attic.log'),
            'level' => env('LOG_LEVEL', 'info'),
            'days' => (int) env('LOG_DAYS', 14),
            'replace_placeholders' => true,
        ],
    ],
];
