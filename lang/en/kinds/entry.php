<?php

/* How the parts of an entry are called in sentences: with their names, without, several of them, below something, and by their sort alone. */

return [
    'named' => [
        'answer' => 'the answer to “:name”',
    ],
    'unnamed' => [
        'answer' => 'an answer',
    ],
    'several' => [
        'answer' => ':count answers from “:name” on',
    ],
    'inner' => [
        'answer' => '{1} one answer|[2,*] :count answers',
    ],
    'kinds' => [
        'answer' => 'answer',
    ],
];
