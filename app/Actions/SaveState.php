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

/** The save path: merges what was sent with what came in between, and makes or grows a version, in one transaction. */
final readonly class SaveState
{
    public function __construct(private States $states, private HandedRoots $handed, private WriteVersion $write, private SaveCells $cells, private HoldBack $hold) {}

    public function handle(Item $item, User $editor, Sent $sent): Saved|UnknownBase|Unfit
    {
        return DB::transaction(function () use ($item, $editor, $sent): Saved|UnknownBase|Unfit {
            $item->refresh();
            $base = $this->base($item, $sent);
            if ($base === null) {
                return new UnknownBase;
            }
            $short = $sent->tree === null && $base === $item->root ? $this->cells->handle($item, $editor, $sent) : null;
            if ($short !== null) {
                $short instanceof Saved && $this->remember($item, $sent, $short->root, $short->root);

                return $short;
            }
            $kind = Kinds::named($item->kind);
            $head = $this->states->tree($item->root);
            $headRoot = $item->root;
            $reading = $sent->tree === null ? Edits::apply($sent->base === $headRoot ? $head : $this->states->tree($sent->base), $sent->edits, $kind, Limits::for($kind)) : Reading::tree($sent->tree);
            if ($reading->tree === null) {
                return new Unfit($reading->problems);
            }
            $sentTree = $reading->tree;
            $from = $base === $headRoot ? $head : $this->states->tree($base);
            $mine = $kind->grid() === null ? Identities::righted($from, $sentTree) : $sentTree;
            $merged = $base === $headRoot ? new Merged($mine, []) : TreeMerge::of(...array_map(fn (PartTree $side) => Consequences::withoutResults($kind, $side), [$from, $head, $mine]));
            $tree = Consequences::of($kind, $head, $merged->tree, now()->format('Y-m-d'), ...($base === $headRoot ? [] : [$mine]));
            // Of edits most parts are the very same objects, of a whole state none.
            $root = $sent->tree === null ? $this->states->keepChanged($headRoot, $head, $tree) : $this->states->keep($tree, $headRoot);
            $sentRoot = match (true) {
                $tree === $sentTree => $root,
                $sent->tree === null && $sent->base === $headRoot => $this->states->keepChanged($headRoot, $head, $sentTree),
                default => $this->states->keep($sentTree, $base),
            };
            $this->remember($item, $sent, $sentRoot, $root);

            $version = $root === $headRoot
                ? $this->write->unchanged($item, $editor, $sent->keep, $sent->note)
                : $this->write->handle($item, $editor, new Written($head, $tree, $root, $sent->cause, kept: $sent->keep, note: $sent->note, at: $sent->at, from: $base === $headRoot ? null : $this->mergedFrom($item, $base, $from, $mine)));
            $held = $merged->conflicts === [] ? [] : $this->hold->handle($item, $editor, $version, $tree, $merged->conflicts, $base);

            return new Saved($version, $root, $sentRoot, $sentTree, $tree, $root !== $sentRoot, $held);
        });
    }

    private function mergedFrom(Item $item, string $base, PartTree $from, PartTree $mine): ?MergedFrom
    {
        $number = Version::query()->where(['item_id' => $item->id, 'root' => $base])->max('number');

        return is_numeric($number) ? new MergedFrom($from, $mine, (int) $number) : null;
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
