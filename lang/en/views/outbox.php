<?php

return [
    'outbox_of' => 'Outbox of :title',
    'the_entries' => 'The entries',
    'this_place_sends_no_mail_what' => 'This place sends no mail: what would have been sent is kept here.',
];
