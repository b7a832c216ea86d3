<?php

return [
    'log_of' => 'Log of :name',
    'log_of_name' => 'Log of “:name”',
    'what_was_deleted_restored_published' => 'what was deleted, restored, published, downloaded, and who may do what; for its owners',
    'what_it_is_about' => 'What it is about',
    'about_everything' => 'about everything',
    'who' => 'Who',
    'by_everybody' => 'by everybody',
    'by' => 'by :name',
    'show' => 'Show',
    'nothing' => '{0} nothing|{1} one line|[2,*] :count lines',
    'as_csv' => 'as CSV',
    'nothing_of_that_kind_was_done' => 'Nothing of that kind was done here yet.',
    'when' => 'When',
    'what' => 'What',
    'pages' => 'Pages',
    'before' => 'Before',
    'to_of' => ':first_item to :last_item of :total',
    'next' => 'Next',
];
