<?php

return [
    'delete' => 'Delete :title',
    'delete_title' => 'Delete “:title”?',
    'it_goes_to_lost_found_of' => 'It goes to Lost & found of “:name” with its whole history, and can be brought back from there as it is now.',
    'keep_it' => 'Keep it',
    'delete_it' => 'Delete it',
];
