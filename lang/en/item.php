<?php

return [
    'untitled' => ['document' => 'Untitled document', 'spreadsheet' => 'Untitled spreadsheet'],
    'marked' => ':number is now called “:name”.',
    'unmarked' => 'The name was taken off :number. The version stays.',
    'restored' => 'Restored :source as :number. Nothing was overwritten.',
    'brought_back' => 'Brought back what you ticked from :source, as :number. Nothing was overwritten.',
    'part_back' => 'Brought back as it was in :source, as :number. Nothing was overwritten.',
    'took_out' => 'Took out what :who wrote there, as :number. Nothing was overwritten.',
    'took_back' => 'Taken back: it is as it was in :source again.',
    'written_since' => 'Something was written since :number, so it can not simply be taken back. Restore an earlier state instead.',
    'copied' => 'This is a new document, made from :number of “:title”.',
    'settled' => 'Settled.',
    'settled_already' => 'That edit is settled already.',
    'met_again' => 'It met another edit in the meantime and is held back again.',
    'third_needed' => 'Write what shall stand there instead.',
    'file_big' => 'This file is larger than :max MB.',
    'file_not' => 'a document is made from :formats',
    'file_unreadable' => 'This file can not be read: :reason.',
    'picture_missing' => 'The picture did not arrive. Pictures may be up to :max MB.',
    'picture_big' => 'This picture is larger than :max MB.',
    'picture_not' => 'This is not a picture in PNG, JPEG, GIF or WebP.',
];
