<?php

return [
    'copied' => 'The copy is set up as it was then. Its figures are today’s: a report draws them again from its datasets. For the figures of then, look at it as it was, and print or download it from there.',
    'page' => 'Page :number',
    'data' => 'Data', 'data_of_then' => 'With the data of that time', 'data_of_today' => 'With today’s data',
    'figures' => 'Figures',
    'no_dataset' => 'There is no such dataset, or you may not see it.',
    'moved_on' => 'Others went on from there: this can not be undone step by step any more. The history has it.',
    'not_there' => 'That is not there any more. Look at the report again.',
    'restored' => 'Restored together: :what. Nothing was overwritten, and it can be taken back together.',
    'took_back' => 'Taken back, in :count items at once.',
    'back_together' => 'Taken back together with',
    'together' => 'Restored together with',
    'pinned' => 'Once it is published, readers see the figures of that day.',
    'following' => 'Readers see figures that follow the data.',
    'pinned_now' => 'Readers see the figures of today from now on, until it is published again.',
    'following_now' => 'Readers see figures that follow the data from now on.',
    'reader_pins' => 'The figures are those of :when, when this was published.',
    'reader_follows' => 'The figures follow their data, day by day.',
];
