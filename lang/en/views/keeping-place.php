<?php

return [
    'what_is_kept_here' => 'What is kept here',
    'shelves_and_items_may_have_rules' => 'shelves and items may have rules of their own',
];
