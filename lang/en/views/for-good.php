<?php

return [
    'delete_for_good' => 'Delete :title for good',
    'delete_for_good_title' => 'Delete “:title” for good?',
    'its_one_version_goes' => '{1} Its one version goes|[2,*] All :count versions of it go',
    'its_one_entry_with_its_history' => '{1} its one entry with its history|[2,*] its :count entries with their histories',
    'and' => ', and :entries',
    'with_milestones_notes_pictures_and' => ', with milestones, notes, pictures and everything that was held back.',
    'this_cant_be_undone_by_anybody' => 'This can’t be undone, by anybody.',
    'to_go_on_type_its_name' => 'To go on, type its name: :title',
    'leave_it_in_lost_found' => 'Leave it in Lost & found',
    'delete_it_for_good' => 'Delete it for good',
];
