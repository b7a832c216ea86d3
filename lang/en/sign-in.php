<?php

return [
    'wrong' => 'Wrong e-mail address or password.',
    'used' => 'This invitation has been taken up or taken back. If you have come already, sign in.',
    'somebody_else' => 'Somebody else is signed in here now. Sign in as yourself, so that what you wrote is saved under your name.',
    'expired' => 'This link has expired, or is not whole. Ask whoever invited you for a new one.',
    'not_yours' => 'This invitation is for :email. Sign in with that address.',
    'have_account' => ':email has an account here. Sign in with it, then open this link again.',
];
