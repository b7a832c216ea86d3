<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Edits;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Kinds\Reading;
use MistyAttic\Core\Merge\Conflict;
use MistyAttic\Core\Merge\Merged;
use MistyAttic\Core\Merge\TreeMerge;

/** The save path: merges what was sent with what came in between, and makes or grows a version, in one transaction. */
final readonly class SaveState
{
    public function __construct(private States $states, private WriteVersion $write, private SaveCells $cells) {}

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
                $short instanceof Saved && $this->remember($item, $sent, $short->root);

                return $short;
            }
            $kind = Kinds::named($item->kind);
            $head = $this->states->tree($item->root);
            $headRoot = $item->root;
            $reading = $sent->tree === null ? Edits::apply($sent->base === $headRoot ? $head : $this->states->tree($sent->base), $sent->edits, $kind, Limits::for($kind)) : Reading::tree($sent->tree);
            if ($reading->tree === null) {
                return new Unfit($reading->problems);
            }
            $mine = $reading->tree;
            $merged = $base === $headRoot ? new Merged($mine, []) : TreeMerge::of(...array_map(fn (PartTree $side) => Consequences::withoutResults($kind, $side), [$this->states->tree($base), $head, $mine]));
            $tree = Consequences::of($kind, $head, $merged->tree, now()->format('Y-m-d'), ...($base === $headRoot ? [] : [$mine]));
            // Of edits most parts are the very same objects, of a whole state none.
            $root = $sent->tree === null ? $this->states->keepChanged($headRoot, $head, $tree) : $this->states->keep($tree, $headRoot);
            $sentRoot = match (true) {
                $tree === $mine => $root,
                $sent->tree === null && $sent->base === $headRoot => $this->states->keepChanged($headRoot, $head, $mine),
                default => $this->states->keep($mine, $base),
            };
            $this->remember($item, $sent, $sentRoot);

            $version = $root === $headRoot
                ? $this->write->unchanged($item, $editor, $sent->keep, $sent->note)
                : $this->write->handle($item, $editor, new Written($head, $tree, $root, $sent->cause, kept: $sent->keep, note: $sent->note, at: $sent->at));
            $since = $merged->conflicts === [] ? 0 : (int) Version::query()->where(['item_id' => $item->id, 'root' => $base])->max('number');
            $held = array_map(fn (Conflict $conflict) => $this->holdBack($item, $editor, $version, $tree, $conflict, $since), $merged->conflicts);

            return new Saved($version, $root, $sentRoot, $mine, $tree, $root !== $sentRoot, $held);
        });
    }

    /**
     * The root to merge from, or null when nobody knows it. If the answer to an earlier sending from the same state was
     * lost, then what was sent then is where this one started from.
     */
    private function base(Item $item, Sent $sent): ?string
    {
        $earlier = $sent->base === $item->root ? null : DB::table('sent_states')
            ->where(['item_id' => $item->id, 'client' => $sent->client, 'base' => $sent->base])->value('root');
        if (is_string($earlier)) {
            return $earlier;
        }
        $known = $sent->base === $item->root
            || Version::query()->where(['item_id' => $item->id, 'root' => $sent->base])->exists()
            || DB::table('sent_states')->where(['item_id' => $item->id, 'root' => $sent->base])->exists();

        return $known ? $sent->base : null;
    }

    /** Every state that was sent stays known, since it may be the base of the next sending. */
    private function remember(Item $item, Sent $sent, string $root): void
    {
        if ($root !== $sent->base) {
            DB::table('sent_states')->upsert(
                ['item_id' => $item->id, 'client' => $sent->client, 'base' => $sent->base, 'root' => $root, 'created_at' => now(), 'updated_at' => now()],
                ['item_id', 'client', 'base'],
                ['root', 'updated_at'],
            );
        }
    }

    private function holdBack(Item $item, User $editor, Version $version, PartTree $tree, Conflict $conflict, int $since): HeldEdit
    {
        $values = ['root' => $version->root, 'place' => $this->place($item, $tree, $conflict), 'number' => $version->number, 'conflict' => $conflict->toJson(), 'met_user_id' => $this->met($item, $editor, $conflict, $since)];
        $before = HeldEdit::query()->waitingFor($editor)->where(['item_id' => $item->id, 'part' => $conflict->id])->get()
            ->first(fn (HeldEdit $held) => $this->continues($held->meeting(), $conflict));
        if ($before !== null) {
            $before->update($values);

            return $before;
        }

        return HeldEdit::query()->create(['item_id' => $item->id, 'user_id' => $editor->id, 'part' => $conflict->id, ...$values]);
    }

    private function place(Item $item, PartTree $tree, Conflict $conflict): string
    {
        $kind = Kinds::named($item->kind);
        $part = $tree->find($conflict->id);
        if ($part === null) {
            return mb_substr(($conflict->mine[0] ?? null)?->richText()->text() ?? '', 0, 60);
        }
        // What has a name of its own is told by that; of a text or a cell it is said what it stands under.
        $place = in_array($item->kind, ['report', 'form', 'entry', 'dataset'], true) ? null : $kind->place($tree, $part);

        return $kind->label($tree, $place === null ? $part : $tree->get($place));
    }

    /** Whether somebody went on typing in an edit that is held back already: it is one edit still. */
    private function continues(Conflict $before, Conflict $now): bool
    {
        return $before->type === $now->type && $before->field === $now->field
            && ($before->meeting === null || ($now->meeting !== null && $now->meeting->base->equals($before->meeting->mine)));
    }

    /**
     * Who wrote last at the part where it met, other than the author; null when it met an edit of their own from another window.
     *
     * @param  int  $since  the version that it started from, 0 when that was none
     */
    private function met(Item $item, User $editor, Conflict $conflict, int $since): ?int
    {
        $id = DB::table('touches')->where(['item_id' => $item->id, 'part' => $conflict->id])->where('number', '>', $since)
            ->where('user_id', '!=', $editor->id)->orderByDesc('number')->value('user_id');

        return is_numeric($id) ? (int) $id : null;
    }
}
