<?php

return [
    'for_you' => 'For you',
    'what_waits_for_you_on_all' => 'what waits for you, on all your shelves',
    'nothing_waits_for_you' => 'Nothing waits for you.',
    'edits_of_yours_that_were_held' => 'Edits of yours that were held back, wishes that need your yes, answers to yours, and restores over what you wrote come here.',
    'back_as_it_was' => 'Back as it was…',
    'put_aside' => 'Put aside: :notice',
    'put_aside_heading' => 'Put aside',
    'put_aside_lately' => 'Put aside lately, :aside',
];
