<?php

return [
    'drop' => [
        'which_file' => 'Which file?',
        'a_file_as_its_next_version' => 'A file as its next version',
        'any_file_up_to_200_mb' => 'Any file, up to 200 MB. Choose it, drop it here, or paste it.',
        'send_it' => 'Send it',
    ],
    'facts' => [
        'name' => 'Name',
        'type' => 'Type',
        'size' => 'Size',
        'sha_256' => 'SHA-256',
    ],
    'laid' => [
        'in' => ':name in :versions',
        'with_it_laid_over' => ', with it laid over ',
    ],
    'new' => [
        'a_file_for' => 'A file for :name',
        'a_file_for_name' => 'A file for “:name”',
        'it_is_kept_as_it_is' => 'It is kept as it is, to the byte, with every version that follows. :value',
        'back_to_the_shelf' => 'Back to the shelf',
    ],
    'on-shelf' => [
        'let_go_and_it_is_kept' => 'Let go, and it is kept on “:name”',
    ],
    'past' => [
        'what_changed_between' => 'What changed between :number and :later',
        'version' => 'Version :number',
    ],
    'pictures' => [
        'what_changed_between' => 'What changed between :number and :later',
        'in' => ':name in :number',
        'less_than_0_1' => 'less than 0.1',
        'earlier' => 'Earlier: :number',
        'later' => 'Later: :number',
        'how_much_lies_over' => 'How much of :number lies over :later',
    ],
    'write' => [
        'the_file_as_it_is_now' => 'The file as it is now',
        'download' => 'Download :head',
    ],
];
