<?php

/* How the parts of a spreadsheet are called in sentences: with their names, without, several of them, below something, and by their sort alone. */

return [
    'named' => [
        'tab' => 'the tab “:name”',
        'column' => 'the column “:name”',
    ],
    'unnamed' => [
        'tab' => 'a tab',
        'column' => 'a column',
    ],
    'several' => [
        'tab' => ':count tabs from “:name” on',
        'column' => ':count columns from “:name” on',
    ],
    'inner' => [
        'tab' => '{1} one tab|[2,*] :count tabs',
        'column' => '{1} one column|[2,*] :count columns',
    ],
    'kinds' => [
        'tab' => 'tab',
        'column' => 'column',
    ],
];
