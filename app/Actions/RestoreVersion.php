<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Cause;
use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\ChunksAhead;
use App\Store\States;
use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Compare\Statements;
use MistyAttic\Core\Compare\TreeCompare;
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
    public function handle(Item $item, Version $version, User $editor, int $seen, Cause $cause = Cause::Restored, ?array $picked = null): ?Version
    {
        $work = function (ChunksAhead $chunks) use ($item, $version, $editor, $seen, $cause, $picked): ?Made {
            // What it was called comes back with all of it, or when that is ticked.
            $title = $version->title !== '' && ($picked === null || in_array(Statements::TITLE, $picked, true)) ? $version->title : $item->title;
            if ($item->head !== $seen || ($item->root === $version->root && $item->title === $title)) {
                return null;
            }
            // All of it is there already: only what differs is read, to tell what that is.
            [$now, $after, $root] = $picked === null ? [null, null, $version->root] : $this->picked($chunks, $item, $version, array_values(array_diff($picked, [Statements::TITLE])));
            if ($root === $item->root && $item->title === $title) {
                return null;
            }
            $written = new Written($now, $after, $root, $root === $version->root && $title === $version->title ? $cause : Cause::BroughtBack, source: $version->number, title: $title);

            return new Made($chunks, $written, $this->write->ahead(new States($chunks), $item, $editor, $written));
        };

        return $this->ahead->handle($item, $work, fn (Made $made): Version => $this->write->handle($item, $editor, $made->written, $made->compared));
    }

    /**
     * @param  list<string>  $picked
     * @return array{PartTree, PartTree, string} the newest state, what becomes of it, and the root of that
     */
    private function picked(ChunksAhead $chunks, Item $item, Version $version, array $picked): array
    {
        $now = $this->states->tree($item->root);
        $back = TreeCompare::of($this->states->tree($version->root), $now)->invert()->pick($now, $picked);
        $after = Consequences::of(Kinds::named($item->kind), $now, $back->changes->apply($now)->orFail(), now()->format('Y-m-d'));

        return [$now, $after, (new States($chunks))->keepChanged($item->root, $now, $after)];
    }
}
