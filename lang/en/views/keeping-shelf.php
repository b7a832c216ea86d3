<?php

return [
    'what_is_kept_on' => 'What is kept on :name',
    'what_is_kept_on_name' => 'What is kept on “:name”',
    'an_item_may_have_rules_of' => 'an item may have rules of its own',
    'as_the_place_has_it' => 'As the place has it',
    'all_on_it_takes_what_items' => 'All on it takes :items; what items share counts once.',
    'rehearsed_nothing_has_gone' => 'Rehearsed, nothing has gone',
    'by_these_rules_everything_stays_for' => 'By these rules everything stays for now.',
    'everything_is_kept_for_ever' => 'Everything is kept for ever.',
    'one_version_would_go' => '{1} One version would go|[2,*] :count versions would go',
    'and_really_come_back' => ':goes, and :items really come back.',
    'let_these_go' => 'Let these :goes go…',
    'they_go_for_good_on_the' => 'They go for good, on the whole shelf. It can’t be undone, by anybody.',
    'let_them_go' => 'Let them go',
    'item' => 'Item',
    'would_go' => 'would go',
    'stay' => 'stay',
    'really_come_back' => 'really come back',
    'takes_now' => 'takes now',
    'of_it_history' => 'of that, history',
];
