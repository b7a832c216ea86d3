<?php

return [
    'bring_items_of_back' => 'Bring items of :name back',
    'one_item' => '{1} one item|[2,*] :count items',
    'bring_of_back' => 'Bring :items of “:name” back',
    'to_how_they_stood_on' => 'to how they stood on',
    'nothing_is_overwritten_each_gets_a' => '. Nothing is overwritten: each gets a new version, and what is there now stays in its history. All of it lands, or none, and it is taken back in one press.',
    'at_most_are_brought_back_together' => ':m_o_s_t at most are brought back together; :left of those that were ticked are left out.',
    'made_since_goes_to_lost_found' => 'made since: goes to Lost & found',
    'comes_back_from_lost_found_as' => 'comes back from Lost & found, as it was in :number',
    'back_to_from' => 'back to :number, from :head',
    'it_becomes_a_draft_readers_go' => 'It becomes a draft: readers go on seeing what is live.',
    'its_records_come_from_another_item' => 'Its records come from another item, and stay as they are there.',
    'it_is_called_now_with_all' => 'It is called “:title” now; with all of it, its name comes back.',
    'goes_away' => 'Goes away: ',
    'comes_back' => 'Comes back: ',
    'and_more_which_come_with_it' => 'and :key more, which come with it;',
    'a_restore_of_it_alone' => 'a restore of it alone',
    'has_them_all' => 'has them all.',
    'nothing_stays_as_it_is' => '{0} Nothing stays as it is.|[1,*] Stays as it is: :what',
    'cancel' => 'Cancel',
    'bring_them_back' => 'Bring them back',
];
