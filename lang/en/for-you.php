<?php

return [
    'met' => 'it met :who',
    'wish' => ':who asks to publish :number:note',
    'declined' => ':who said no to your change',
    'accepted' => ':who accepted what you proposed',
    'proposed' => ':who proposes changes',
    'unusual' => ':what, by :who in :number',
    'restored' => [
        'restored' => ':who restored :source over what you wrote since, as :number',
        'brought_back' => ':who brought parts of :source back over what you wrote since, as :number',
        'took_out' => ':who took out what you wrote, as :number',
    ],
    'failed' => '“:name” did not work',
    'do' => ['held' => 'Settle it…', 'wish' => 'Look and answer…', 'answer' => 'Look', 'unusual' => 'Look', 'restored' => 'What of mine went?', 'failed' => 'Why?', 'talk' => 'See the thread', 'proposed' => 'Look and answer…'],
    'talk' => [
        'called' => ':who calls you:quote:text', 'answered' => ':who answered in a thread of yours:quote:text',
        'settled' => ':who settled a thread of yours:quote:text', 'reopened' => ':who opened a thread of yours again:quote:text',
    ],
];
