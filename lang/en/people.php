<?php

return [
    'added' => ':name is on the shelf.',
    'invited' => ':name is invited, and is on the shelf when they come.',
    'taken_back' => 'The invitation of :name is taken back.',
    'would' => ['viewer' => 'can read', 'editor' => 'can write', 'owner' => 'decide with the other owners'],
    'address' => [
        'subject' => 'Is this address yours?',
        'body' => "Open this within a day, where you are signed in, to show that this address is yours:\n\n:link",
        'sent' => 'A link is in the mail of :email.', 'proved' => ':email is yours.', 'other' => 'This link is for somebody else. Sign in with the address that it was sent to.',
    ],
    'mail' => [
        'subject' => ':name invites you to “:shelf”',
        'body' => ":name invites you to the shelf “:shelf”. Open this within :days days; it works once:\n\n:link\n\nIf you do not know :name, leave it: nothing happens then.",
    ],
    'drafts' => ['editors' => 'Those who write', 'approvers' => 'Those who write, and those who may publish', 'everyone' => 'Everybody on this shelf'],
    'set' => 'The rules of this shelf are kept.',
    'is' => ['viewer' => ':name is a viewer now.', 'editor' => ':name is an editor now.', 'owner' => ':name is an owner now.'],
    'may_publish' => ':name may publish now.', 'may_not_publish' => ':name may no longer publish.', 'removed' => ':name is off the shelf.',
    'publishes' => 'Allow :name to publish', 'publishes_not' => 'Stop :name from publishing',
    'name_needed' => 'Nobody here has the address :email yet. Give a name as well, and an account is made.',
];
