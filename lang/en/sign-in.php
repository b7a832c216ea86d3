<?php

return [
    'wrong' => 'This address and this password do not go together.',
    'used' => 'This invitation has been taken up already. Sign in instead.',
];
