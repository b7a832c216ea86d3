<?php

return [
    'title' => 'On a day',
    'found' => 'brought back from Lost & found by :by on :date',
    'deleted' => 'deleted by :by on :date, in Lost & found',
    'moved' => 'put on another shelf by :by on :date',
    'came' => 'put on this shelf by :by on :date',
    'items' => '{0} nothing stood here|{1} as it stood then: one item|[2,*] as it stood then: :count items',
    'versions' => '{1} one version|[2,*] :count versions',
    'again' => 'the same again as then, after :versions',
    'not_a_time' => '“:text” is no day or hour that has been. Write such as 3 Nov, last Tuesday, 12 October 18:00, this month, 3 to 12 Nov, or the name of a milestone.',
    'nothing_in' => 'Nothing was written then: “:text”.',
    'may_not' => 'You may not do this with it.',
    'nothing_ticked' => 'Nothing is ticked that is otherwise than it was then.',
    'moved_on' => 'Something was written, deleted or brought back in the meantime, so nothing was done. This is how it stands now.',
    'returned' => '{1} One item was brought back.|[2,*] :count items were brought back together.',
    'undone' => 'All of it was taken back.',
    'written_since' => 'One of these items was changed since, so nothing was taken back. Each can be restored by its own history.',
    'marked' => '{0} This moment is called “:name” now; each item has a milestone there already.|{1} This moment is called “:name” now, and so is one version.|[2,*] This moment is called “:name” now, and so are :count versions.',
    'copied' => '“:name” has what stood on “:shelf” then. Nobody but you is on it yet.',
    'before_all' => 'That is before the first version of it, which is shown.',
];
