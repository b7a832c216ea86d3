<?php

/* Changes of entries that need a yes: the same steps as of publishing, in the words for them. */
return [
    'steps' => [
        'asked' => ':asker changed it, and it waited for a yes',
        'published' => ':decider said yes to :asker',
        'published_own' => 'It was agreed to as it stood, or needed nobody’s yes',
        'refused' => ':decider said not yet to :asker',
        'refused_own' => ':decider said not yet',
        'withdrawn' => ':decider changed it again, so that this waits with it',
        'withdrawn_own' => ':asker changed it again, or asks no more',
        'edited' => ':decider changed it again, and that was agreed to',
        'edited_own' => ':asker changed it again, and that was agreed to',
        'ended' => ':ender took it away',
    ],
    'see' => '{0} Others see no change|{1} Others see one change|[2,*] Others see :count changes',
    'waits' => 'Waits for a yes',
    'for_readers' => 'A change that was agreed to',
    'lantern' => 'Agreed to',
    'published' => ':number is what everybody sees now.',
    'asked' => 'Asked. Others go on seeing what was agreed to, until somebody says yes.',
    'answered' => ['published' => 'Agreed to: everybody sees :number now.', 'refused' => ':asker is told. Others go on seeing what was agreed to.', 'withdrawn' => 'It is asked for no more. The change stays, and others don’t see it.'],
    'asked_already' => ':number waits for an answer already.',
    'already_live' => 'Everybody sees :number already.',
    'restored' => ':sentence It waits for a yes: others go on seeing :live.',
    'saved' => 'Saved as :number. It waits for a yes: until then others go on seeing :live.',
    'none' => 'Tick the changes that you say yes to.',
    'done' => '{0} None of them waits any more.|{1} Said yes to one change.|[2,*] Said yes to :count changes.',
    'waiting' => '{1} one change waits for a yes|[2,*] :count changes wait for a yes',
    'answer_first' => '{1} One change to an entry waits for a yes. Answer it first.|[2,*] :count changes to entries wait for a yes. Answer them first.',
];
