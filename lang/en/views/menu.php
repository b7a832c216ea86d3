<?php

return [
    'back_to' => 'Back to :name',
];
