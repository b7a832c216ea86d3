<?php

return [
    'copy_out' => 'Copy out :title',
    'copy_out_of' => 'Copy out :number of “:title”',
    'a_new_with_the_content_of' => 'A new :kind with the content of :number, saved by :who on',
    'it_says_where_it_came_from' => '. It says where it came from; “:title” is not touched.',
    'you_are_not_an_editor_on' => 'You are not an editor on any shelf, so there is nowhere to put it. You can download it instead.',
    'only_the_one_thing_that_you' => '{1} Only the one thing that you chose is copied, with what it is in.|[2,*] Only the :count things that you chose are copied, with what they are in.',
    'what_is_it_called' => 'What is it called?',
    'from' => ', from ',
    'on_which_shelf' => 'On which shelf?',
    'how_much_of_it' => 'How much of it?',
    'all_tabs' => 'All tabs',
    'only' => 'Only “:name”',
    'what_was_said_about_it' => 'What was said about it',
    'stays_here' => 'stays here',
    'goes_along_where_it_was_open' => 'goes along where it was open then',
    'goes_along_all_of_it' => 'goes along, all of it',
    'whoever_sees_the_copy_sees_it' => 'Whoever sees the copy sees it, too, under the names of who said it.',
    'cancel' => 'Cancel',
    'copy_it_out' => 'Copy it out',
];
