<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\HandedRoots;
use App\Store\MergedFrom;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Compare\Identities;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Edits;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Kinds\Reading;
use MistyAttic\Core\Merge\Merged;
use MistyAttic\Core\Merge\TreeMerge;

/** The save path: merges what was sent with what came in between, and makes or grows a version. Writing is one transaction, and what takes long is done before it. */
final readonly class SaveState
{
    public function __construct(private States $states, private HandedRoots $handed, private WriteVersion $write, private SaveCells $cells, private HoldBack $hold) {}

    /** Times that a state is worked out aside, before it is worked out while nobody else may write. */
    private const TRIES = 4;

    public function handle(Item $item, User $editor, Sent $sent): Saved|UnknownBase|Unfit
    {
        $short = $sent->tree !== null ? null : DB::transaction(fn (): Saved|Unfit|null => $this->short($item->refresh(), $editor, $sent));
        if ($short !== null) {
            return $short;
        }
        for ($try = 1; ; $try++) {
            // What takes long is worked out before anybody has to wait for it; if the newest state is another by then, once more.
            $made = $try < self::TRIES ? $this->made($item->refresh(), $sent) : null;
            if ($made instanceof UnknownBase || $made instanceof Unfit) {
                return $made;
            }
            $saved = DB::transaction(function () use ($item, $editor, $sent, $made): Saved|UnknownBase|Unfit|null {
                $item->refresh();
                $made ??= $this->made($item, $sent);

                return $made instanceof Made ? ($made->headRoot === $item->root ? $this->write($item, $editor, $sent, $made) : null) : $made;
            });
            if ($saved !== null) {
                return $saved;
            }
        }
    }

    /** Of a large table, only the rows that are named are read; null when it takes more than that. */
    private function short(Item $item, User $editor, Sent $sent): Saved|Unfit|null
    {
        $short = $this->base($item, $sent) === $sent->base ? $this->cells->handle($item, $editor, $sent) : null;
        $short instanceof Saved && $this->remember($item, $sent, $short->sent, $short->root);

        return $short;
    }

    /** The state that comes of a sending and the newest state, worked out and not written yet. */
    private function made(Item $item, Sent $sent): Made|UnknownBase|Unfit
    {
        $base = $this->base($item, $sent);
        if ($base === null) {
            return new UnknownBase;
        }
        $kind = Kinds::named($item->kind);
        $head = $this->states->tree($item->root);
        $headRoot = $item->root;
        $reading = $sent->tree === null ? Edits::apply($sent->base === $headRoot ? $head : $this->states->tree($sent->base), $sent->edits, $kind, Limits::for($kind)) : Reading::tree($sent->tree);
        if ($reading->tree === null) {
            return new Unfit($reading->problems);
        }
        $from = $base === $headRoot ? $head : $this->states->tree($base);
        $mine = $kind->grid() === null ? Identities::righted($from, $reading->tree) : $reading->tree;
        $merged = $base === $headRoot ? new Merged($mine, []) : TreeMerge::of(...array_map(fn (PartTree $side) => Consequences::withoutResults($kind, $side), [$from, $head, $mine]));
        $tree = Consequences::of($kind, $head, $merged->tree, now()->format('Y-m-d'), ...($base === $headRoot ? [] : [$mine]));

        return new Made($base, $headRoot, $from, $head, $reading->tree, $mine, $tree, $merged->conflicts);
    }

    private function write(Item $item, User $editor, Sent $sent, Made $made): Saved
    {
        // Of edits most parts are the very same objects, of a whole state none.
        $root = $sent->tree === null ? $this->states->keepChanged($made->headRoot, $made->head, $made->tree) : $this->states->keep($made->tree, $made->headRoot);
        $sentRoot = match (true) {
            $made->tree === $made->sent => $root,
            $sent->tree === null && $sent->base === $made->headRoot => $this->states->keepChanged($made->headRoot, $made->head, $made->sent),
            default => $this->states->keep($made->sent, $made->base),
        };
        $this->remember($item, $sent, $sentRoot, $root);

        $isMerged = $made->base !== $made->headRoot;
        $since = $isMerged ? $this->number($item, $made->base) : $item->head;
        $version = $root === $made->headRoot
            ? $this->write->unchanged($item, $editor, $sent->keep, $sent->note)
            : $this->write->handle($item, $editor, new Written($made->head, $made->tree, $root, $sent->cause, kept: $sent->keep, note: $sent->note, at: $sent->at, grows: $sent->grows, follows: $sent->follows, from: $isMerged && $since > 0 ? new MergedFrom($made->from, $made->mine, $since) : null));
        $held = $made->conflicts === [] ? [] : $this->hold->handle($item, $editor, $version, $made->tree, $made->conflicts, $made->from, $since);

        return new Saved($version, $root, $sentRoot, $made->sent, $made->tree, $root !== $sentRoot, $held);
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
        $common = $sent->from === null || $sent->tree === null ? null : Version::query()->where('item_id', $item->id)->where('number', '<=', $sent->from)->orderByDesc('number')->value('root');

        return is_string($common) ? $common : null;
    }

    /** Every state that was sent stays known, since it may be the base of the next sending; the newest one is known anyway. */
    private function remember(Item $item, Sent $sent, string $sentRoot, string $newest): void
    {
        if ($sentRoot !== $sent->base) {
            $this->handed->sent($item, $sent->client, $sent->base, $sentRoot);
        }
        if ($sentRoot !== $newest) {
            $this->handed->keep($item, $sentRoot);
        }
    }
}
