<?php

return [
    'how_is_this_file_written' => 'How is this file written?',
    'how_is_written' => 'How is “:name” written?',
    'it_does_not_say_how_its' => 'It does not say how its letters are encoded. Choose the line that reads right. Nothing is made yet.',
    'it_can_be_read_in_no' => 'It can be read in no way that is known here. Save it as UTF-8, and try again.',
    'back' => 'Back',
    'its_letters' => 'Its letters',
    'not_this_file' => 'Not this file',
    'read_it_so' => 'Read it so',
    'reading' => 'Reading…',
];
