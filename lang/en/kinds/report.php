<?php

/* How the parts of a report are called in sentences: with their names, without, several of them, below something, and by their sort alone. */

return [
    'named' => [
        'page' => 'the page “:name”',
        'widget' => 'the widget “:name”',
    ],
    'unnamed' => [
        'page' => 'a page',
        'widget' => 'a widget',
    ],
    'several' => [
        'page' => ':count pages from “:name” on',
        'widget' => ':count widgets from “:name” on',
    ],
    'inner' => [
        'page' => '{1} one page|[2,*] :count pages',
        'widget' => '{1} one widget|[2,*] :count widgets',
    ],
    'kinds' => [
        'page' => 'page',
        'widget' => 'widget',
    ],
];
