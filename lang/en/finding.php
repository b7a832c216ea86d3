<?php

return [
    'title' => 'its title',
    'is_live' => 'published :date in :from · live now',
    'was_live' => 'published :date in :from · gone since :gone, :then',
    'there' => 'in :from, :date, by :by · there in :head',
    'gone' => 'in :from, :date, by :by · :out took it out in :gone, :then',
    'formula' => 'a formula', 'came' => ':text came', 'went' => ':text went',
    'on_ribbon' => '{0} “:words” is in none of them|{1} “:words” came or went in one|[2,*] “:words” came or went in :count',
    'said' => '{0} nothing|{1} one stretch of text|[2,*] :count stretches of text',
    'in' => '{1} in one item|[2,*] in :count items',
    'of_them_gone' => '{0} none of them gone|{1} one of them gone|[2,*] :count of them gone',
];
