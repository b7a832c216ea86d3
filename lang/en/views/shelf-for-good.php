<?php

return [
    'delete_for_good' => 'Delete :name for good',
    'delete_the_shelf_for_good' => 'Delete the shelf “:name” for good?',
    'nothing_is_on_it' => '{0} Nothing is on it|{1} The one item on it goes|[2,*] The :count items on it go',
    'and_one_that_was_deleted_from' => ', and one that was deleted from it before|, and :count that were deleted from it before',
    'with_every_version_entry_milestone' => ':items:lost, with every version, entry, milestone and picture, and with its log.',
    'this_cant_be_undone_by_anybody' => 'This can’t be undone, by anybody.',
    'to_go_on_type_its_name' => 'To go on, type its name: :name',
    'leave_it_in_lost_found' => 'Leave it in Lost & found',
    'delete_it_for_good' => 'Delete it for good',
];
