<?php

return [
    'needs_editor' => 'You can read what is on “:shelf”, but only its editors and owners can change it.',
    'needs_owner' => 'Only an owner of “:shelf” can do that.',
    'no_drafts' => 'On “:shelf” only those who write see drafts.',
    'needs_publisher' => 'On “:shelf” an owner says who may publish, and you may not.',
    'taken_away' => 'It was deleted. Bring it back first; all of it is kept.',
    'archived' => '“:shelf” is put away: it is looked at, and not changed. An owner takes it up again.',
    'needs_yes' => 'On “:shelf” publishing needs the yes of somebody else.',
    'last_owner' => 'A shelf keeps at least one owner: make somebody else an owner first.',
    'viewer' => 'reads what is there, and its history',
    'editor' => 'also writes, marks milestones, and restores if the shelf says so',
    'owner' => 'also invites, changes rights, removes, and always restores',
];
