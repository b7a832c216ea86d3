<?php

declare(strict_types=1);

namespace App\Proposing;

use App\Models\Cause;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\User;
use App\Saving\Made;
use App\Saving\WorkAhead;
use App\Saving\WriteVersion;
use App\Saving\Written;
use App\Store\Chunks\ChunksAhead;
use App\Store\Proposed;
use App\Store\States;

/** Proposes once more what was answered, beside what its author proposes now. */
final readonly class TakeUpAgain
{
    public function __construct(
        private OpenLine $open,
        private WorkAhead $ahead,
        private WriteVersion $write,
        private Proposed $proposed,
    ) {}

    /** @return Item|null the side line; null when the item says so already, or it is proposed already */
    public function handle(Proposal $answered, User $person): ?Item
    {
        $line = $this->open->handle($answered->item, $person);
        $work = function (ChunksAhead $chunks) use ($answered, $line, $person): ?Made {
            $states = new States($chunks);
            $root = $states->keep($this->proposed->again($answered, $line->root), $line->root);
            $written = new Written(null, null, $root, Cause::Wrote, kept: true, grows: false);

            return $root === $line->root ? null : new Made($chunks, $written, $this->write->ahead($states, $line, $person, $written));
        };

        return $this->ahead->handle($line, $work, function (Made $made) use ($line, $person): Item {
            $this->write->handle($line, $person, $made->written, $made->compared);

            return $line;
        });
    }
}
