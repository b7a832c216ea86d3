<?php

return [
    // Offers the demo's people on the sign-in page, with one press and without a password.
    'demo' => (bool) env('ATTIC_DEMO', false),

    // Whether whoever owns a shelf is asked for a code besides the password when they sign in.
    'owners_second' => (bool) env('ATTIC_OWNERS_SECOND', false),

    // What the shared place is called, in the top bar.
    'place' => env('ATTIC_PLACE', ''),

    // The zone by whose days entries are counted in datasets, so that all who read them have the same.
    'zone' => env('ATTIC_ZONE', 'UTC'),

    // Further names that the place answers to, and the proxies in front of it whose word on a request is taken; with commas between.
    'hosts' => array_values(array_filter(explode(',', (string) env('ATTIC_HOSTS', '')))),
    'proxies' => array_values(array_filter(explode(',', (string) env('ATTIC_PROXIES', '')))),

    // Seconds in which saves by one editor grow the same version.
    'checkpoint' => (int) env('ATTIC_CHECKPOINT', 60),

    // The longest a title, a milestone or a note may be, in characters.
    'title' => 200,
    'note' => 500,
    'comment' => 4000,

    // Parts from which on a table is read by what differs.
    'large' => 4_000,

    // The largest picture, in bytes.
    'picture' => 10 * 1024 * 1024,
];
