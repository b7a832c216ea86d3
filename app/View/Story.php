<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;

/** The history of one part. */
final readonly class Story
{
    /**
     * @param  string  $name  of the part, empty if it has none
     * @param  list<PartStep>  $steps  the newest first; none if no version knows the part
     * @param  int  $older  how many older ones are not shown
     */
    public function __construct(public string $name, public array $steps, public int $older) {}

    /**
     * The versions that it is brought back from: of what is gone, the state right before is what one wants; of a dataset, what was
     * calculated meanwhile comes with it.
     *
     * @param  bool  $calculates  whether the kind calculates from what it holds
     * @return list<int|null> by step; null where there is nothing to bring back
     */
    public function backTo(Item $item, bool $calculates): array
    {
        return array_map(fn (PartStep $step, int $at): ?int => match (true) {
            $step->part === null => $step->isNow && $at === 0 ? $item->before($step->version->number) : null,
            $step->isNow => null,
            $calculates && $at > 0 => $item->before($this->steps[$at - 1]->version->number),
            default => $step->version->number,
        }, $this->steps, array_keys($this->steps));
    }
}
