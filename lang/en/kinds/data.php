<?php

/* How the parts of JSON that is no item are called in sentences: with their names, without, several of them, below something, and by their sort alone. */

return [
    'named' => [
        'object' => 'the object “:name”',
        'list' => 'the list “:name”',
        'value' => '“:name”',
    ],
    'unnamed' => [
        'object' => 'an object',
        'list' => 'a list',
        'value' => 'a value',
    ],
    'several' => [
        'object' => ':count objects',
        'list' => ':count lists',
        'value' => ':count values from “:name” on',
    ],
    'inner' => [
        'object' => '{1} one object|[2,*] :count objects',
        'list' => '{1} one list|[2,*] :count lists',
        'value' => '{1} one value|[2,*] :count values',
    ],
    'kinds' => [
        'object' => 'object',
        'list' => 'list',
        'value' => 'value',
    ],
];
