<?php

/* How the parts of a dataset are called in sentences: with their names, without, several of them, below something, and by their sort alone. */

return [
    'named' => [
        'field' => 'the field “:name”',
        'record' => 'the record “:name”',
    ],
    'unnamed' => [
        'field' => 'a field',
        'record' => 'an empty record',
    ],
    'several' => [
        'field' => ':count fields from “:name” on',
        'record' => ':count records from “:name” on',
    ],
    'inner' => [
        'field' => '{1} one field|[2,*] :count fields',
        'record' => '{1} one record|[2,*] :count records',
    ],
    'kinds' => [
        'field' => 'field',
        'record' => 'record',
    ],
];
