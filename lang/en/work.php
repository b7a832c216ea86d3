<?php

/* What is worked beside, since it takes long. */
return [
    'file' => ['waiting' => 'Your file is next in line', 'working' => 'Your file is being read', 'done' => 'Your file was read', 'failed' => 'Your file could not be read'],
    'data' => ['waiting' => 'Your data is next in line', 'working' => 'Your data is being read', 'done' => 'Your data was read', 'failed' => 'Your data could not be read'],
    'copy' => ['waiting' => 'Your file is next in line', 'working' => 'Your file is being written', 'done' => 'Your file is ready', 'failed' => 'Your file could not be written'],
    'shelf' => ['waiting' => 'Your shelf is next in line', 'working' => 'Your shelf is being copied', 'done' => 'Your shelf is there', 'failed' => 'Your shelf could not be copied'],
    'before' => '{0} It begins in a moment.|{1} One other is worked first.|[2,*] :count others are worked first.',
    'since' => 'For :seconds seconds now. This page looks again by itself.',
    'share' => ':share % is done, after :seconds seconds. This page looks again by itself.',
    'leave' => 'You can leave this page and come back to it; the work goes on.',
    'take' => 'Take :name along',
    'kept' => 'It is kept here for a day.',
    'failed' => 'Something went wrong, and nothing was changed by it.',
    'back' => 'Back',
    'gone' => 'This was kept for a day, and is gone.',
    'enough' => ':count files of yours are being worked already. Wait until one is done.',
];
