<?php

declare(strict_types=1);

namespace App\Models;

/** Who on a shelf sees drafts of what is published. */
enum Drafts: string
{
    case Editors = 'editors';

    /** And those who may publish. */
    case Approvers = 'approvers';
    case Everyone = 'everyone';
}
