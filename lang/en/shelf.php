<?php

return [
    'shared' => '{0} only you are on it|{1} shared with one other person|[2,*] shared with :count others',
];
