<?php

return [
    'move' => 'Move :title',
    'move_to_another_shelf' => 'Move “:title” to another shelf',
    'there_is_no_other_shelf_on' => 'There is no other shelf on which you may make things.',
    'back' => 'Back',
    'which_one' => 'Which one?',
    'cancel' => 'Cancel',
    'see_what_changes' => 'See what changes…',
    'from_shelf_to_shelf' => 'From “:from” to “:to”, with its whole history, milestones and public address.',
    'the_same_people_may_do_the' => 'The same people may do the same with it as now.',
    'who' => 'Who',
    'now' => 'Now',
    'there' => 'There',
    'does_not_see_it' => 'does not see it',
    'no_longer_sees_it' => 'no longer sees it',
    'another_shelf' => 'Another shelf…',
    'move_it' => 'Move it',
];
