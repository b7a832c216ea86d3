<?php

return [
    'how' => ['all' => 'every change', 'marks' => 'milestones and publishings', 'none' => 'nothing'],
    'said' => 'Kept.',
    'key' => 'You have a key for programs. Addresses with it are where something is watched.',
    'no_key' => 'The key opens nothing any more.',
    'state' => '“:title” was published',
    'digest' => [
        'subject' => '{1} One change on what you watch at :place|[2,*] :count changes on what you watch at :place',
        'said' => '{1} Something was said to you at :place|[2,*] :count things were said to you at :place',
        'for_you' => 'For you',
        'stop' => "What you watch is said in each item’s menu and for each shelf; how you get word, here: :account\nNo more of these: :link",
    ],
];
