<?php

declare(strict_types=1);

namespace App\Models;

/** What became of a change that was proposed. */
enum ProposalState: string
{
    case Waiting = 'waiting';
    case Accepted = 'accepted';
    case Declined = 'declined';

    /** Taken back by who proposed it, or replaced by their next one. */
    case Withdrawn = 'withdrawn';
}
