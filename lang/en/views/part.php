<?php

return [
    'history_of_one_part_of' => 'History of one part of :title',
    'all_of_its_history' => ':title, all of its history',
    'the_newest_first' => ':older, the newest first.',
    'drawn_from_it' => 'Drawn from it:',
    'in' => '“:string” in',
    'name_in' => ':name in',
    'gone_now' => 'gone now',
    'as_it_is_now' => 'as it is now',
    'bring_it_back_as_it_was' => 'Bring it back as it was before that',
    'bring_this_back' => 'Bring this back',
    'as_it_was_in' => 'as it was in :number',
];
