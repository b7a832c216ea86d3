<?php

return [
    'a_new_password' => 'A new password',
    'a_link_comes_to_your_mail' => 'A link comes to your mail, by which you choose another one.',
    'e_mail_address' => 'E-mail address',
    'send_me_the_link' => 'Send me the link',
    'back' => 'Back',
    'for_sessions_that_are_open_elsewhere' => 'For :email. Sessions that are open elsewhere end with it.',
    'password_10_characters_or_more' => 'Password, 10 characters or more',
    'the_same_again' => 'The same again',
    'take_this_one' => 'Take this one',
];
