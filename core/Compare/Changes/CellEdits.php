<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Changes;

use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Formulas\Formula;

/** Tells what somebody did to a cell from what followed by itself: another result, or a range that followed its rows. */
final readonly class CellEdits
{
    /** @var array<string, true> parts that went or moved */
    private array $uprooted;

    public function __construct(ChangeSet $changes)
    {
        $uprooted = [];
        foreach ($changes->changes as $change) {
            // Seen from either side: what comes may be what went.
            if ($change->type !== ChangeType::Edited) {
                $uprooted[$change->id] = true;
            }
        }
        $this->uprooted = $uprooted;
    }

    public function followed(mixed $was, mixed $is): bool
    {
        if (Cell::sameInput($was, $is)) {
            return true;
        }
        [$old, $new] = [Cell::formula($was), Cell::formula($is)];

        return $this->uprooted !== []
            && $old !== null
            && $new !== null
            && Cell::look($was) === Cell::look($is)
            && Formula::sameButForEnds($old, $new, $this->uprooted);
    }
}
