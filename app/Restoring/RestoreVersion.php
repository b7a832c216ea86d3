<?php

declare(strict_types=1);

namespace App\Restoring;

use App\Models\Cause;
use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Saving\Made;
use App\Saving\WorkAhead;
use App\Saving\WriteVersion;
use App\Saving\Written;
use App\Store\Chunks\ChunksAhead;
use App\Store\Excerpt;
use App\Store\States;
use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Telling\Statements;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;

/** Makes an earlier state the newest version again, or brings back some of it; what was newest stays where it is in the history. */
final readonly class RestoreVersion
{
    public function __construct(private States $states, private WriteVersion $write, private WorkAhead $ahead) {}

    /**
     * @param  int  $seen  the number that was newest when the plan was shown
     * @param  list<string>|null  $picked  keys of the changes back that are wanted; null for all
     * @return Version|null null when something was saved since the plan was shown, or when that state is the newest already
     */
    public function handle(
        Item $item,
        Version $version,
        User $editor,
        int $seen,
        Cause $cause = Cause::Restored,
        ?array $picked = null,
    ): ?Version {
        $work = function (ChunksAhead $chunks) use ($item, $version, $editor, $seen, $cause, $picked): ?Made {
            // What it was called comes back with all of it, or when that is ticked.
            $title
                = $version->title !== '' && ($picked === null || in_array(Statements::TITLE, $picked, true)) ? $version->title : $item->title;
            if ($item->head !== $seen || ($item->root === $version->root && $item->title === $title)) {
                return null;
            }
            // All of it is there already: only what differs is read, to tell what that is.
            [$now, $after, $root] = $picked === null
                ? [null, null, $version->root]
                : $this->picked(new States($chunks), $item, $version, array_values(array_diff($picked, [Statements::TITLE])));
            if ($root === $item->root && $item->title === $title) {
                return null;
            }
            $written = new Written(
                $now,
                $after,
                $root,
                $root === $version->root && $title === $version->title ? $cause : Cause::BroughtBack,
                source: $version->number,
                title: $title,
            );

            return new Made($chunks, $written, $this->write->ahead(new States($chunks), $item, $editor, $written));
        };

        return $this->ahead->handle(
            $item,
            $work,
            fn (Made $made): Version => $this->write->handle($item, $editor, $made->written, $made->compared),
        );
    }

    /**
     * What an item would become, before it does.
     *
     * @param  States  $states  that keep it
     * @param  list<string>|null  $picked  keys of the changes back that are wanted; null for all
     * @return Version that is not there
     */
    public function becomes(States $states, Item $item, Version $version, User $editor, ?array $picked): Version
    {
        $root = $picked === null
            ? $version->root
            : $this->picked($states, $item, $version, array_values(array_diff($picked, [Statements::TITLE])))[2];
        $title
            = $version->title !== '' && ($picked === null || in_array(Statements::TITLE, $picked, true)) ? $version->title : $item->title;

        return Version::toCome($item, $root, $title, $editor);
    }

    /**
     * @param  list<string>  $picked
     * @return array{PartTree|null, PartTree|null, string} the newest state, what becomes of it, and the root of that; of a large table the
     *     root alone
     */
    private function picked(States $states, Item $item, Version $version, array $picked): array
    {
        $root = $this->pickedCells($states, $item, $version, $picked);
        if ($root !== null) {
            return [null, null, $root];
        }
        $now = $this->states->tree($item->root);
        $back = TreeCompare::of($this->states->tree($version->root), $now)->invert()->pick($now, $picked);
        $after = Consequences::of(Kinds::named($item->kind), $now, $back->changes->apply($now)->orFail(), now()->format('Y-m-d'));

        return [$now, $after, $states->keepChanged($item->root, $now, $after)];
    }

    /**
     * The root of a large table with some cells brought back, told from what differs; null when more than cells comes back, or the rest has
     * to be read.
     *
     * @param  list<string>  $picked
     */
    private function pickedCells(States $states, Item $item, Version $version, array $picked): ?string
    {
        $grid = Kinds::named($item->kind)->grid();
        $excerpt = $grid === null || $item->formulas ? null : Excerpt::of($states, $grid, $version->root, $item->root);
        $back = $excerpt === null ? null : $excerpt->changes->invert()->pick($excerpt->new, $picked)->changes;
        if (
            $grid === null
            || $excerpt === null
            || $back === null
            || array_filter(
                $back->changes,
                fn (Change $change) => $change->type !== ChangeType::Edited || $change->part()->role !== $grid->row,
            ) !== []
        ) {
            return null;
        }
        $after = $back->apply($excerpt->new)->orFail();
        $spliced = [];
        foreach ($back->changes as $change) {
            $position = $excerpt->new->wholePosition($change->id);
            if ($position === null) {
                return null;
            }
            $spliced[$position] = [$position, $position + 1, [$after->get($change->id)]];
        }
        ksort($spliced);

        return $states->splice($item->root, array_values($spliced));
    }
}
