<?php

return [
    'added' => ':name is on the shelf.',
    'set' => 'Done.',
    'name_needed' => 'Nobody here has the address :email yet. Give a name as well, and an account is made.',
];
