<?php

return [
    'delete' => 'Delete :name',
    'delete_the_shelf' => 'Delete the shelf “:name”?',
    'nothing_on_it' => '{0} nothing on it|{1} the one item on it|[2,*] the :count items on it',
    'it_goes_to_lost_found_of' => 'It goes to Lost & found of its owners, with :items, and can be brought back from there. Its people no longer see it.',
    'everybody_who_has_a_public_address' => 'Everybody who has a public address of these finds nothing there any more:',
    'keep_it' => 'Keep it',
    'delete_it' => 'Delete it',
];
