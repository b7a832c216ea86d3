<?php

return [
    'sign_in' => 'Sign in',
    'come_in' => 'Come in',
    'a_shared_place_in_which_every' => 'A shared place in which every change is kept.',
    'e_mail_address' => 'E-mail address',
    'password' => 'Password',
    'i_forgot_my_password' => 'I forgot my password',
    'or_look_around_as' => 'Or look around as',
    'these_five_are_made_up_and' => 'These five are made up, and so is their repair café.',
];
