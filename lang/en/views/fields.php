<?php

return [
    'history' => 'History',
];
