<?php

return [
    'begun' => 'This is your place. Make something, or invite the others: People, at the left.',
    'yourself' => 'You keep the place yourself: somebody has to.',
    'left' => ':name is let in no more. What they wrote stays under their name.',
    'back' => ':name can sign in again.',
    'second' => ':name signs in without a code until they set it up again. They are told by mail.',
    'set_anew' => 'New code for :name, who sets it up again',
    'set_anew_short' => 'New code',
    'has_second' => 'has a code',
    'own_second' => 'Your own code is taken off in your account.',
    'pages' => 'Pages', 'before' => 'Before', 'next' => 'Next',
    'log' => 'What was done',
    'deeds' => [
        'left' => 'let :about in no more', 'merged' => 'made one of two accounts: :about', 'back' => 'let :about in again', 'second' => 'took :about’s code off, to be set up again', 'rules' => 'changed the rules of the place: :about',
        'shelf_made' => 'made the shelf “:about”', 'shelf_deleted' => 'deleted the shelf “:about”', 'shelf_back' => 'brought the shelf “:about” back', 'shelf_gone' => 'deleted the shelf “:about” for good',
    ],
    'merge' => [
        'link' => 'The same as…', 'link_of' => 'The same as…: :name and somebody else',
        'title' => ':name has two accounts?',
        'lead' => 'The account of :address goes. What it did, :versions on :shelves, is the other account’s from then on, under its name: versions, talk, proposals and places on shelves, with the stronger role of two. Whoever is signed in with it is signed out.',
        'versions' => '{0} no version|{1} one version|[2,*] :count versions', 'shelves' => '{0} no shelf|{1} one shelf|[2,*] :count shelves',
        'never' => 'This can’t be undone, by anybody.',
        'into' => 'The account that stays', 'choose' => 'Choose one', 'type' => 'To go on, type the address of the one that goes: :address',
        'cancel' => 'Cancel', 'do' => 'Make one account',
        'alone' => 'There is nobody else here.',
        'nobody' => 'Choose the account that stays.', 'wrong' => 'That is not the address of the account that goes.',
        'proposals' => 'Both propose changes to :items. Answer or withdraw one of the two there first.',
        'done' => 'It is one account now: :name, :address.',
    ],
    'no_more' => 'You are let in no more. Ask whoever keeps the place.',
];
