<?php

return [
    'where_to_bring_it_back_in' => 'Where to bring it back in :title',
    'where_should_it_go' => 'Where should it go?',
    'this_block' => 'This block',
    'stood_in_a_column_that_is' => ':name stood in a column that is gone since. Nothing is overwritten: whatever you choose becomes version :head.',
    'where_it_stood' => 'Where it stood',
    'in' => ', in “:own_section”',
    'with_its_column_as_in' => 'With its column:own_section, as in :number',
    'a_section_without_a_title' => 'A section without a title',
    'cancel' => 'Cancel',
    'bring_it_back' => 'Bring it back',
];
