<?php

return [
    'no_shelf_yet' => 'No shelf yet',
    'you_are_not_on_any_shelf' => 'You are not on any shelf. Somebody who owns one can put you on it: your address is :email.',
];
