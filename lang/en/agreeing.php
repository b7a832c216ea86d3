<?php

/* Changes of entries that need a yes: they lie beside the entry until somebody gives it. */
return [
    'state' => ['accepted' => 'was taken in', 'declined' => 'was answered: not yet', 'withdrawn' => 'was taken back'],
    'told' => ['accepted' => ':decider said yes', 'declined' => ':decider said not yet', 'withdrawn' => ':decider took it back, or changed it again'],
    'accepted' => ':decider said yes',
    'saved' => 'Your change waits for a yes. Until then everybody else sees the entry without it.',
    'answered' => ['accepted' => 'Agreed to: it is version :number, and everybody sees it now.', 'declined' => ':asker is told. The entry stays as it is.', 'withdrawn' => 'Your change is taken back. The entry stays as it is.'],
    'too_late' => 'This was answered in the meantime.',
    'moved_on' => 'The entry was changed or removed in the meantime. Look at it once more.',
    'same' => 'The entry says so already.',
    'none' => 'Tick the changes that you say yes to.',
    'done' => '{0} None of them waits any more.|{1} Said yes to one change.|[2,*] Said yes to :count changes.',
    'left' => '{1} One meets what was written since: look at it by itself.|[2,*] :count meet what was written since: look at each by itself.',
    'waiting' => '{1} one change waits for a yes|[2,*] :count changes wait for a yes',
    'past' => '{1} One change that was not taken in|[2,*] :count changes that were not taken in',
    'answer_first' => '{1} One change to an entry waits for a yes. Answer it first.|[2,*] :count changes to entries wait for a yes. Answer them first.',
];
