<?php

/* How the parts of a file are called in sentences: with their names, without, several of them, below something, and by their sort alone. */

return [
    'named' => [
        'bytes' => 'the file “:name”',
        'line' => 'the line “:name”',
    ],
    'unnamed' => [
        'bytes' => 'a file',
        'line' => 'an empty line',
    ],
    'several' => [
        'bytes' => ':count files from “:name” on',
        'line' => ':count lines from “:name” on',
    ],
    'inner' => [
        'bytes' => '{1} one file|[2,*] :count files',
        'line' => '{1} one line|[2,*] :count lines',
    ],
    'kinds' => [
        'bytes' => 'file',
        'line' => 'line',
    ],
];
