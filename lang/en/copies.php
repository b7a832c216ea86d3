<?php

/* What goes along with a copy, and what becomes of it. */
return [
    'history' => 'Its history',
    'state' => 'stays here: the copy begins its own',
    'all' => '[2,*] goes along: all :count versions up to this one',
    'all_note' => 'Under the names of who wrote, with milestones and pins. Whoever sees the copy sees all of it, by the rights of that shelf.',
    'proposals' => '{1} What one person proposed then goes along|[2,*] What :count people proposed then goes along',
    'as_it_was' => ':number as it was',
    'here' => '{1} One copy of it|[2,*] :count copies of it',
    'of' => 'from :number',
    'from' => 'Copied out from :number of “:title”',
    'take_in' => 'Propose its changes there',
    'take_in_note' => 'What was written here since, as a proposal there: it is looked at and answered change by change.',
    'same' => '“:title” says so already, or you propose it already.',
    'taken_in' => 'What was written in “:title” since it was copied out is what you propose here now.',
];
