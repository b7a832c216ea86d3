<?php

return [
    'added' => ':name is on the shelf.',
    'drafts' => ['editors' => 'Those who write', 'approvers' => 'Those who write, and those who may publish', 'everyone' => 'Everybody on this shelf'],
    'set' => 'The rules of this shelf are kept.',
    'is' => ['viewer' => ':name is a viewer now.', 'editor' => ':name is an editor now.', 'owner' => ':name is an owner now.'],
    'may_publish' => ':name may publish now.', 'may_not_publish' => ':name may no longer publish.', 'removed' => ':name is off the shelf.',
    'publishes' => 'Allow :name to publish', 'publishes_not' => 'Stop :name from publishing',
    'name_needed' => 'Nobody here has the address :email yet. Give a name as well, and an account is made.',
];
