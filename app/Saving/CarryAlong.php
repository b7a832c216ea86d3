<?php

declare(strict_types=1);

namespace App\Saving;

use App\Models\Cause;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Store\Chunks\ChunksAhead;
use App\Store\Proposed;
use App\Store\States;

/**
 * Takes what came in meanwhile into what somebody proposes, so that it starts from the newest version again. Where the two meet, what was
 * proposed stays, and that it met something is kept.
 */
final readonly class CarryAlong
{
    public function __construct(private WorkAhead $ahead, private WriteVersion $write, private Proposed $proposed) {}

    public function handle(Proposal $proposal): void
    {
        $line = $proposal->line;
        $main = $proposal->item->refresh();
        if ($line === null || $proposal->base === $main->root) {
            return;
        }
        $work = function (ChunksAhead $chunks) use ($proposal, $line, $main): ?CarriedLine {
            if ($proposal->refresh()->state !== ProposalState::Waiting) {
                return null;
            }
            [$number, $base] = [$main->head, $main->root];
            $states = new States($chunks);
            [$root, $met] = $this->proposed->becomes($states, $proposal, $base);
            $written = new Written(null, null, $root, Cause::Wrote, grows: false);

            return new CarriedLine(
                $chunks,
                $written,
                $root === $line->root ? null : $this->write->ahead($states, $line, $proposal->user, $written),
                $number,
                $base,
                $met,
            );
        };
        $this->ahead->handle($line, $work, function (CarriedLine $made) use ($proposal, $line): void {
            if ($made->compared !== null) {
                $this->write->handle($line, $proposal->user, $made->written, $made->compared);
            }
            $proposal->refresh()->standsAt($made->number, $made->base, $made->written->root, $made->met);
        });
    }
}
