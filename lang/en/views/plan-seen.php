<?php

return [
    'how_will_be' => 'How :title will be',
    'how_it_will_be_nothing_is' => 'how it will be; nothing is written yet',
    'change_before_p' => 'Change before (p)',
    'next_change_n' => 'Next change (n)',
    'back_to_the_plan' => 'Back to the plan',
    'it_will_be_as_it_is' => 'It will be as it is now.',
    'the_as_it_will_be' => 'The :kind, as it will be',
];
