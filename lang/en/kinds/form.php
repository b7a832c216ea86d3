<?php

/* How the parts of a form are called in sentences: with their names, without, several of them, below something, and by their sort alone. */

return [
    'named' => [
        'settings' => 'the settings',
        'question' => 'the question “:name”',
        'choice' => 'the choice “:name”',
        'grid_line' => 'the row “:name”',
        'skip_rule' => 'the skip rule to “:name”',
    ],
    'unnamed' => [
        'settings' => 'the settings',
        'question' => 'an empty question',
        'choice' => 'an empty choice',
        'grid_line' => 'an empty row',
        'skip_rule' => 'a skip rule',
    ],
    'several' => [
        'settings' => ':count settings',
        'question' => ':count questions from “:name” on',
        'choice' => ':count choices from “:name” on',
        'grid_line' => ':count rows from “:name” on',
        'skip_rule' => ':count skip rules from “:name” on',
    ],
    'inner' => [
        'settings' => '{1} the settings|[2,*] the settings',
        'question' => '{1} one question|[2,*] :count questions',
        'choice' => '{1} one choice|[2,*] :count choices',
        'grid_line' => '{1} one row|[2,*] :count rows',
        'skip_rule' => '{1} one skip rule|[2,*] :count skip rules',
    ],
    'kinds' => [
        'settings' => 'settings',
        'question' => 'question',
        'choice' => 'choice',
        'grid_line' => 'row',
        'skip_rule' => 'skip rule',
    ],
];
