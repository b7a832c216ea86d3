<?php

return [
    'begun' => 'This is your place. Make something, or invite the others: People, at the left.',
    'yourself' => 'You keep the place yourself: somebody has to.',
    'left' => ':name is let in no more. What they wrote stays under their name.',
    'back' => ':name can sign in again.',
    'no_more' => 'You are let in no more. Ask whoever keeps the place.',
];
