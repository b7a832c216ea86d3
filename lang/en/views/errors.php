<?php

return [
    '404' => [
        'the_route' => 'The route',
    ],
];
