<?php

/* Pages that say why something is not shown, and what to do next. */
return [
    'to_the_shelves' => 'To the shelves',
    'refused' => ['title' => 'Not like this', 'note' => 'This address can’t be opened in this way. Go back and use the button or the link there once more, or begin at the shelves.'],
    'forbidden' => ['title' => 'You don’t have permission', 'note' => 'You may not do that here.'],
    'nowhere' => ['title' => 'Nothing here', 'note' => 'There is nothing at this address, or it is on a shelf that you are not on.'],
    'gone' => ['title' => 'No longer kept', 'note' => 'This is no longer here.'],
    'large' => ['title' => 'This is too large', 'note' => 'What was sent is larger than can be taken in at once; a file may be up to 10 MB. Nothing was changed.'],
    'old' => ['title' => 'This page is too old', 'note' => 'The page was open for too long, or somebody else has signed in here since. Go back, load it again and try once more; nothing was changed.'],
    'often' => ['title' => 'A moment, please', 'note' => 'That was tried too often. Wait a minute, then try again.'],
    'fault' => ['title' => 'Something went wrong', 'note' => 'It is our fault, not yours. Nothing that was saved is lost. Try again in a moment.'],
    'closed' => ['title' => 'Closed for a moment', 'note' => 'We are putting things in order and will be back in a few minutes.'],
    'damaged' => [
        'title' => 'This can’t be read back',
        'note' => 'A part of what is kept is damaged on the disk. Nothing is shown or written from a damaged state. Whoever keeps the place can put it back from a backup.',
        'versions' => '{1} Of “:title” version :numbers is damaged on the disk.|[2,*] Of “:title” versions :numbers are damaged on the disk.',
        'after' => 'Nothing is shown or written from a damaged state. Whoever keeps the place can put it back from a backup.',
        'whole' => 'Whole:', 'as_it_was' => ':number as it was',
    ],
];
