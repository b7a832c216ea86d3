<?php

return [
    'welcome' => 'Welcome',
    'welcome_name' => 'Welcome, :name',
    'invites_you_where' => ':name invites you to the shelf “:shelf”, where you :value.',
    'choose_a_password_your_address_here' => 'Choose a password; your address here is :email.',
    'your_name_as_others_see_it' => 'Your name, as others see it',
    'password_10_characters_or_more' => 'Password, 10 characters or more',
    'the_same_again' => 'The same again',
    'come_in' => 'Come in',
    'sign_in' => 'Sign in',
];
