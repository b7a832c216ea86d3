<?php

declare(strict_types=1);

namespace App\Proposing;

use App\Models\Cause;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\User;

/** What was written in a copy since it was copied out, as a proposal for what it came from. */
final readonly class ProposeFromCopy
{
    public function __construct(private TakeUpAgain $take) {}

    /** @return Item|null the side line; null when nothing was written, or the item says so already */
    public function handle(Item $copy, Item $original, User $person): ?Item
    {
        // A copy may hold some parts alone: what it began with is what it is held against.
        $base = $copy->versions()->where('cause', Cause::Copied)->orderByDesc('number')->value('root');
        if (! is_string($base) || $base === $copy->root) {
            return null;
        }
        $since = (new Proposal([
            'item_id' => $original->id,
            'user_id' => $person->id,
            'base' => $base,
            'root' => $copy->root,
        ]))->setRelation('item', $original);

        return $this->take->handle($since, $person);
    }
}
