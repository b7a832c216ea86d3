<?php

return [
    'begin' => 'Begin',
    'an_empty_attic' => 'An empty attic',
    'nobody_is_here_yet_you_are' => 'Nobody is here yet. You are the first: you keep the place, and invite the others.',
    'your_name_as_others_will_see' => 'Your name, as others will see it',
    'e_mail_address' => 'E-mail address',
    'password_10_characters_or_more' => 'Password, 10 characters or more',
    'the_same_again' => 'The same again',
    'a_first_shelf_for_what' => 'A first shelf, for what?',
    'office' => 'Office',
];
