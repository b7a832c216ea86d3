<?php

return [
    'show' => 'Show',
    'who' => 'Who',
];
