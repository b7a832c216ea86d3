<?php

return [
    // outbox keeps what would be sent where whoever keeps the place reads it; smtp sends it, by MAIL_HOST, MAIL_PORT, MAIL_USERNAME and
    // MAIL_PASSWORD; log writes it to the log.
    'default' => env('MAIL_MAILER', 'outbox'),

    'mailers' => ['outbox' => ['transport' => 'outbox']],

    'from' => [
        'address' => env('MAIL_FROM_ADDRESS', 'attic@localhost'),
        'name' => env('MAIL_FROM_NAME', env('ATTIC_PLACE') ?: 'Misty Attic'),
    ],
];
