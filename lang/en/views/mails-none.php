<?php

return [
    'no_more_mail' => 'No more mail',
    'what_you_watch_is_no_longer' => 'What you watch is no longer mailed to you. In your account you can have it again.',
    'no_more_mail_of_what_you' => 'No more mail of what you watch?',
    'no_more' => 'No more',
];
