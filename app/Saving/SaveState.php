<?php

declare(strict_types=1);

namespace App\Saving;

use App\Models\Item;
use App\Models\Proposal;
use App\Models\User;
use App\Models\Version;
use App\Store\Chunks\ChunksAhead;
use App\Store\HandedRoots;
use App\Store\MergedFrom;
use App\Store\States;
use Closure;
use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Compare\Match\Identities;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Edits;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Kinds\Reading;
use MistyAttic\Core\Merge\Merged;
use MistyAttic\Core\Merge\TreeMerge;

/**
 * The save path: merges what was sent with what came in between, and makes or grows a version. Writing is one transaction, and what takes
 * long is done before it.
 */
final readonly class SaveState
{
    public function __construct(
        private States $states,
        private HandedRoots $handed,
        private WriteVersion $write,
        private SaveCells $cells,
        private HoldBack $hold,
        private WorkAhead $ahead,
        private CarryAlong $carry,
    ) {}

    /** @param Closure(): mixed|null $with what is written with it, or not at all */
    public function handle(Item $item, User $editor, Sent $sent, ?Closure $with = null): Saved|UnknownBase|Unfit
    {
        // Whoever proposes goes on from the newest version.
        $proposal = $item->isLine() ? Proposal::onLine($item) : null;
        $proposal === null || $this->carry->handle($proposal);

        return $this->ahead->handle($item, fn (ChunksAhead $chunks) => $this->made($chunks, $item, $editor, $sent), function (
            MadeOfSending $made,
        ) use ($item, $editor, $sent, $with): Saved {
            $with === null || $with();

            return $this->write($item, $editor, $sent, $made);
        });
    }

    private function made(ChunksAhead $chunks, Item $item, User $editor, Sent $sent): MadeOfSending|UnknownBase|Unfit
    {
        $base = $this->base($item, $sent);
        if ($base === null) {
            return new UnknownBase;
        }

        return ($sent->tree === null && $base === $sent->base ? $this->cells->made($chunks, $item, $editor, $sent) : null)
            ?? $this->merged($chunks, $item, $editor, $sent, $base);
    }

    private function merged(ChunksAhead $chunks, Item $item, User $editor, Sent $sent, string $base): MadeOfSending|Unfit
    {
        $kind = Kinds::named($item->kind);
        $head = $this->states->tree($item->root);
        $headRoot = $item->root;
        $reading = $this->read($sent, $kind, $head, $headRoot);
        if ($reading->tree === null) {
            return new Unfit($reading->problems);
        }
        $isMerged = $base !== $headRoot;
        $from = $isMerged ? $this->states->tree($base) : $head;
        $mine = $kind->grid() === null ? Identities::righted($from, $reading->tree) : $reading->tree;
        $merged = $isMerged
            ? TreeMerge::of(...array_map(fn (PartTree $side) => Consequences::withoutResults($kind, $side), [$from, $head, $mine]))
            : new Merged($mine, []);
        $tree = Consequences::of($kind, $head, $merged->tree, now()->format('Y-m-d'), ...$isMerged ? [$mine] : []);

        // Of edits most parts are the very same objects, of a whole state none.
        $states = new States($chunks);
        $root = $sent->tree === null ? $states->keepChanged($headRoot, $head, $tree) : $states->keep($tree, $headRoot);
        $isOnHead = $sent->tree === null && $sent->base === $headRoot;
        $sentRoot = match (true) {
            $tree === $reading->tree => $root,
            $isOnHead => $states->keepChanged($headRoot, $head, $reading->tree),
            default => $states->keep($reading->tree, $base),
        };
        $since = $isMerged ? $this->number($item, $base) : $item->head;
        $written = new Written(
            $head,
            $tree,
            $root,
            $sent->cause,
            kept: $sent->keep,
            note: $sent->noteOf === null ? $sent->note : null,
            at: $sent->at,
            grows: $sent->grows,
            follows: $sent->follows,
            from: $isMerged && $since > 0 ? new MergedFrom($from, $mine, $since) : null,
        );

        return new MadeOfSending(
            $chunks,
            $written,
            $root === $headRoot ? null : $this->write->ahead($states, $item, $editor, $written),
            $sentRoot,
            $reading->tree,
            $tree,
            $merged->conflicts,
            $from,
            $since,
        );
    }

    /** What was sent as a tree: all of it, or the edits done to what they were made in. */
    private function read(Sent $sent, Kind $kind, PartTree $head, string $headRoot): Reading
    {
        return $sent->tree !== null
            ? Reading::tree($sent->tree)
            : Edits::apply($sent->base === $headRoot ? $head : $this->states->tree($sent->base), $sent->edits, $kind, Limits::for($kind));
    }

    private function write(Item $item, User $editor, Sent $sent, MadeOfSending $made): Saved
    {
        $root = $made->written->root;
        $this->remember($item, $sent, $made->sentRoot, $root);
        $version = $made->compared === null
            ? $this->write->unchanged($item, $editor, $sent->keep, $made->written->note)
            : $this->write->handle($item, $editor, $made->written, $made->compared);
        $held = $made->from === null || $made->conflicts === []
            ? []
            : $this->hold->handle($item, $editor, $version, $made->tree, $made->conflicts, $made->from, $made->since);

        $noted = $sent->note === null
        || ($sent->noteOf === null ? $version->note === $sent->note : $this->write->note($item, $editor, $sent->noteOf, $sent->note));

        return new Saved($version, $root, $made->sentRoot, $made->sent, $made->tree, $root !== $made->sentRoot, $held, noted: $noted);
    }

    /** The newest version with a root; 0 when it is none's. */
    private function number(Item $item, string $root): int
    {
        return (int) Version::query()->where(['item_id' => $item->id, 'root' => $root])->max('number');
    }

    /**
     * The root to merge from, or null when nobody knows it. If the answer to an earlier sending from the same state was
     * lost, then what was sent then is where this one started from.
     */
    private function base(Item $item, Sent $sent): ?string
    {
        $earlier = $sent->base === $item->root ? null : $this->handed->sentBefore($item, $sent->client, $sent->base);
        if ($earlier !== null || $this->handed->has($item, $sent->base)) {
            return $earlier ?? $sent->base;
        }
        // Edits lead from a state that is not there; all of a content can be merged from any state that it has something in common with.
        $common = $sent->from === null || $sent->tree === null
            ? null
            : Version::query()->where('item_id', $item->id)->where('number', '<=', $sent->from)->orderByDesc('number')->value('root');

        return is_string($common) ? $common : null;
    }

    /** Every state that was sent stays known, since it may be the base of the next sending; the newest one is known anyway. */
    private function remember(Item $item, Sent $sent, string $sentRoot, string $newest): void
    {
        if ($sentRoot !== $sent->base || $newest !== $sent->base) {
            $this->handed->sent($item, $sent->client, $sent->base, $sentRoot, $newest);
        }
        if ($sentRoot !== $newest) {
            $this->handed->keep($item, $sentRoot);
        }
    }
}
