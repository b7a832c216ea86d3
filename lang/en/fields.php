<?php

/* An item whose parts are written field by field. */

return [
    'saved' => 'Saved as :number.',
    'unfit' => 'Something here can’t be saved: a field is empty that must not be, or holds what does not belong there.',
    'at_the_end' => 'a :what, at the end',
    'in' => 'a :what, in “:place”',
    'add' => 'Add',
    'add_nothing' => 'nothing',
    'remove' => 'Remove',
    'save' => 'Save',
    'none' => 'Nothing is in it yet. Add something below.',
    'without_name' => 'without a name',
];
