<?php

/*
 * Sentences for statements: see core/Compare/Statements.php for the codes and their values. `:what` is one of the phrases
 * below, by form and noun; `:where` is the heading that a part stands under, or its own name.
 */
return [
    'removed' => 'Removed :what',
    'added' => 'Added :what',
    'moved' => [
        'up' => 'Moved :what up',
        'down' => 'Moved :what down',
        'in' => 'Indented :what',
        'out' => 'Outdented :what',
    ],
    'rewrote' => '{1} Changed one word in “:where”|[2,*] Rewrote :count words in “:where”',
    'wrote_in' => '{1} Added one word in “:where”|[2,*] Added :count words in “:where”',
    'cut' => '{1} Cut one word from “:where”|[2,*] Cut :count words from “:where”',
    'wrote' => 'Wrote “:name”',
    'emptied' => 'Emptied “:was”',
    'punctuated' => 'Changed punctuation in “:where”',
    'renamed' => 'Renamed “:was” to “:name”',
    'formatted' => 'Formatted words in “:where”',
    'became' => 'Turned “:name” into a :kind',
    'ticked' => 'Ticked off “:name”',
    'unticked' => 'Unticked “:name”',
    'replaced_picture' => 'Replaced the picture in “:where”',
    'described_picture' => 'Described the picture “:name”',
    'set' => 'Changed how “:name” is set',
    'nothing' => 'Wrote and took it back',

    'somewhere' => 'the beginning',
    'more' => '{1} and one more change|[2,*] and :count more changes',

    'named' => [
        'heading' => 'the heading “:name”', 'paragraph' => '“:name”', 'item' => 'the list item “:name”', 'task' => 'the task “:name”',
        'quote' => 'the quote “:name”', 'code' => 'the code “:name”', 'table' => 'the table in “:name”', 'picture' => 'the picture “:name”', 'rule' => 'a line across',
        'row' => 'the row “:name”', 'cell' => 'the cell “:name”',
    ],
    'unnamed' => [
        'heading' => 'an empty heading', 'paragraph' => 'an empty paragraph', 'item' => 'an empty list item', 'task' => 'an empty task',
        'quote' => 'an empty quote', 'code' => 'an empty block of code', 'table' => 'a table', 'picture' => 'a picture', 'rule' => 'a line across',
        'row' => 'an empty row', 'cell' => 'an empty cell',
    ],
    'several' => [
        'heading' => ':count headings from “:name” on', 'paragraph' => ':count paragraphs from “:name” on', 'item' => ':count list items from “:name” on', 'task' => ':count tasks from “:name” on',
        'quote' => ':count quotes', 'code' => ':count blocks of code', 'table' => ':count tables', 'picture' => ':count pictures', 'rule' => ':count lines across',
        'part' => ':count parts from “:name” on', 'row' => ':count rows', 'cell' => ':count cells',
    ],
    'section' => '{1} “:name” and what stands below it|[2,*] “:name” with :count parts below it',
    'rows' => '{1} the row “:row” of the table in “:name”|[2,*] :count rows of the table in “:name”',
    'columns' => '{1} the column “:row” of the table in “:name”|[2,*] :count columns of the table in “:name”',

    'kinds' => [
        'heading' => 'heading', 'paragraph' => 'paragraph', 'item' => 'list item', 'task' => 'task', 'quote' => 'quote', 'code' => 'block of code',
    ],

    'cause' => [
        'made' => 'Made the :kind',
        'restored' => 'Restored :source',
        'took_back' => 'Took it back to :source',
        'copied' => 'Copied out from :source of “:title”',
        'settled' => 'Settled an edit: :sentence',
    ],
];
