<?php

return [
    'kept' => 'Kept.',
    'password_changed' => 'Your password is changed. Sessions elsewhere are ended.',
    'elsewhere' => 'You are signed in here alone now.',
    'wrong' => 'That is not your password.',
    'zone' => 'Your zone', 'zone_device' => 'as the device has it', 'zone_note' => 'For times on all your devices, and for the hour at which your daily mail comes.',
    'numbers' => 'Numbers', 'numbers_as' => ['plain' => '1,234.5', 'comma' => '1.234,5', 'space' => '1 234,5'],
    'numbers_note' => 'For counts, sizes and figures in reports. Cells, answers and files stay as they are written, so that all read the same.',
    'dates' => 'Dates', 'dates_as' => ['plain' => '3 Nov 2026', 'month' => 'Nov 3, 2026', 'year' => '2026-11-03', 'points' => '3.11.2026'],
    'taken' => ':email is somebody else’s by now.',
    'forgotten' => [
        'subject' => 'A new password',
        'body' => "Somebody, most likely you, forgot the password of this address. Open this within an hour to choose another one; if it was not you, leave it, and nothing changes:\n\n:link",
        'sent' => 'If :email has an account here, a link is in its mail.',
        'used' => 'This link has been used, or is too old. Ask for another one.',
    ],
];
