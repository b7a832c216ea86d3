<?php

/* How the parts of a board are called in sentences. */

return [
    'named' => ['lane' => 'the column “:name”', 'card' => 'the card “:name”'],
    'unnamed' => ['lane' => 'a column', 'card' => 'an empty card'],
    'several' => ['lane' => ':count columns', 'card' => ':count cards from “:name” on'],
    'inner' => ['lane' => '{1} one column|[2,*] :count columns', 'card' => '{1} one card|[2,*] :count cards'],
    'kinds' => ['lane' => 'column', 'card' => 'card'],
    'fields' => ['hours' => 'the hours', 'done' => 'whether it is done'],
];
