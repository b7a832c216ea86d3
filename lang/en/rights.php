<?php

return [
    'needs_editor' => 'You can read what is on “:shelf”, but only its editors and owners can change it.',
    'needs_owner' => 'Only an owner of “:shelf” can do that.',
    'last_owner' => 'A shelf keeps at least one owner: make somebody else an owner first.',
    'viewer' => 'reads what is there, and its history',
    'editor' => 'also writes, marks milestones, and restores if the shelf says so',
    'owner' => 'also invites, changes rights, removes, and always restores',
];
