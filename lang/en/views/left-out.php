<?php

return [
    'what_would_be_left_out' => 'What would be left out',
    'not_all_of_comes_in' => 'Not all of “:name” comes in',
    'nothing_is_made_yet_the_rest' => 'Nothing is made yet. The rest comes in as it is, and the note of its version says what was left out.',
    'not_this_file' => 'Not this file',
    'bring_in_the_rest' => 'Bring in the rest',
    'reading' => 'Reading…',
];
