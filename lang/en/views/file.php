<?php

return [
    'a_file_for' => 'A file for :title',
    'a_file_as_the_next_version' => 'A file as the next version of “:title”',
    'what_the_file_holds_becomes_version' => 'What the file holds becomes version :next. It is matched with what is there by its content, so that only what differs counts as changed and every :kind keeps its history. :head stays as it is, and can be restored.',
    'which_file' => 'Which file?',
    'up_to_10_mb' => ':kind, up to 10 MB',
    'a_file_with_a_single_table' => 'A file with a single table counts as',
    'cancel' => 'Cancel',
    'bring_it_in' => 'Bring it in',
    'reading_and_matching' => 'Reading and matching…',
];
