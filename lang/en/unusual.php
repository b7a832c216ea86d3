<?php

/* What makes a change worth a look: see core/History/Unusual/UnusualType.php for the evidence that comes with each. */
return [
    'blanked' => ':gone of :cells cells were deleted at once',
    'much_gone' => ':gone of :words words were deleted at once',
    'magnitude' => ':was became :is, out of what the column holds',
    'out_of_range' => ':is is unusual for its column',
    'sign_flipped' => ':was became :is',
    'formula_replaced' => 'The formula :was became :is',
    'type_changed' => ':cells values became of another type',
    'rows_doubled' => ':rows rows came that are there already',
    'answered_removed' => 'A question with :answers answers went',
    'broke_widget' => '“:field” is gone, and “:widget” in “:report” needs it',
    'misfit_widget' => '“:field” is of another type, and “:widget” in “:report” needs it',
    'starved_widget' => '“:field” can not be computed any more, and “:widget” in “:report” needs it',
    'emptied_widget' => '“:widget” in “:report” has no record left to count',
    'elsewhere' => [
        'broke_widget' => '“:field” is gone, and a report needs it',
        'misfit_widget' => '“:field” is of another type, and a report needs it',
        'starved_widget' => '“:field” can not be computed any more, and a report needs it',
        'emptied_widget' => 'A report has no record left to count',
    ],
    'more' => '{1} and one more thing|[2,*] and :count more things',
];
