<?php

return [
    'change_before_p' => 'Change before (p)',
    'next_change_n' => 'Next change (n)',
];
