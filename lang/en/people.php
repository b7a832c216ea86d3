<?php

return [
    'added' => ':name is on the shelf.',
    'drafts' => ['editors' => 'Those who write', 'approvers' => 'Those who write, and those who may publish', 'everyone' => 'Everybody on this shelf'],
    'set' => 'Done.',
    'name_needed' => 'Nobody here has the address :email yet. Give a name as well, and an account is made.',
];
