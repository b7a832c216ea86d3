<?php

return [
    'outbox' => 'Outbox',
    'outbox_of_the_place' => 'Outbox of the place',
    'the_shelves' => 'The shelves',
    'this_place_sends_no_mail_what' => 'This place sends no mail: what would have been sent to people is kept here, for whoever keeps the place.',
];
