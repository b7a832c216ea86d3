<?php

return [
    'a_new_shelf' => 'A new shelf',
    'first_show_that_your_address_is' => 'First show that your address is yours: it is in the menu behind your initials.',
    'what_is_it_called' => 'What is it called?',
    'what_is_it_for_you_may' => 'What is it for? You may leave this open.',
    'you_own_it_nobody_else_sees' => 'You own it. Nobody else sees it until you invite them.',
    'make_it' => 'Make it',
];
