<?php

return [
    'watch' => 'Watch :title',
    'word_of' => 'Word of “:title”',
    'as_of_its_shelf' => 'as of its shelf: :shelf',
    'back_to_it' => 'Back to it',
];
