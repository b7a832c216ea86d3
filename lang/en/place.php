<?php

return [
    'begun' => 'This is your place. Make something, or invite the others: People, at the left.',
    'yourself' => 'You keep the place yourself: somebody has to.',
    'left' => ':name is let in no more. What they wrote stays under their name.',
    'back' => ':name can sign in again.',
    'second' => ':name signs in without a code until they set it up anew. They are told by mail.',
    'set_anew' => 'Let :name set up the code anew',
    'set_anew_short' => 'New code',
    'has_second' => 'has a code',
    'own_second' => 'Your own code is taken off in your account.',
    'pages' => 'Pages', 'before' => 'Before', 'next' => 'Next',
    'log' => 'What was done',
    'deeds' => [
        'left' => 'let :about in no more', 'back' => 'let :about in again', 'second' => 'took :about’s code off, to be set up anew', 'rules' => 'changed the rules of the place: :about',
        'shelf_made' => 'made the shelf “:about”', 'shelf_deleted' => 'deleted the shelf “:about”', 'shelf_back' => 'brought the shelf “:about” back', 'shelf_gone' => 'deleted the shelf “:about” for good',
    ],
    'no_more' => 'You are let in no more. Ask whoever keeps the place.',
];
