<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Proposal;
use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Merge\Conflict;
use MistyAttic\Core\Merge\Merged;
use MistyAttic\Core\Merge\TreeMerge;

/** What a state becomes with a proposed change in it. */
final readonly class Proposed
{
    public function __construct(private States $states) {}

    /** Where it meets what came since, what was proposed is in the tree, and the conflicts tell what it takes the place of. */
    public function onto(Proposal $proposal, PartTree $now): Merged
    {
        return $this->merged($proposal, $proposal->base, $proposal->root, $now);
    }

    /**
     * The state that an item would become, and what of it others wrote in after it was proposed.
     *
     * @param  States  $states  that keep it
     * @return array{string, list<string>} its root, and {@see Proposal::$met}
     */
    public function becomes(States $states, Proposal $proposal, string $now): array
    {
        // Nothing came in between: nothing has to be read.
        if ($proposal->base === $now) {
            return [$proposal->root, $proposal->met];
        }
        $merged = $this->merged($proposal, $proposal->base, $proposal->root, $this->states->tree($now));

        return [$states->keep($merged->tree, $proposal->root), self::met($proposal, $merged)];
    }

    /**
     * What was answered already, onto what somebody proposes now.
     *
     * @param  string  $line  what that is
     */
    public function again(Proposal $proposal, string $line): PartTree
    {
        return $this->merged($proposal, $proposal->base, $proposal->root, $this->states->tree($line))->tree;
    }

    private function merged(Proposal $proposal, string $base, string $root, PartTree $now): Merged
    {
        $kind = Kinds::named($proposal->item->kind);
        $bare = fn (PartTree $tree): PartTree => Consequences::withoutResults($kind, $tree);
        $proposed = $this->states->tree($root);
        $merged = TreeMerge::of($bare($this->states->tree($base)), $bare($proposed), $bare($now));

        return new Merged(Consequences::of($kind, $now, $merged->tree, now()->format('Y-m-d'), $proposed), $merged->conflicts);
    }

    /** @return list<string> */
    private static function met(Proposal $proposal, Merged $merged): array
    {
        $met = array_map(
            fn (Conflict $conflict) => $conflict->field !== null && $conflict->meeting === null
                ? "{$conflict->id}/{$conflict->field}"
                : $conflict->id,
            $merged->conflicts,
        );

        return array_values(array_unique([...$proposal->met, ...$met]));
    }
}
