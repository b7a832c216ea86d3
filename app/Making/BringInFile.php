<?php

declare(strict_types=1);

namespace App\Making;

use App\Models\Item;
use App\Models\User;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Saving\Unfit;
use App\Saving\UnknownBase;
use App\Store\States;
use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Compare\Match\Matching;
use MistyAttic\Core\Compare\Match\Retained;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Formulas\Spelling;
use MistyAttic\Core\Kinds\Fresh;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;

/** Makes what a file holds the newest version of an item; its parts are matched by content, so that histories go on. */
final readonly class BringInFile
{
    public function __construct(private States $states, private SaveState $save, private KeepPicture $pictures) {}

    /**
     * @param  Content  $content  of the item's kind
     * @param  bool  $hasIds  whether its parts have ids of an item of ours
     * @param  string|null  $left  what of it was left out, for the note
     * @param  string|null  $tab  the tab that a file of one table stands for; the others stay
     */
    public function handle(
        Item $item,
        User $editor,
        Content $content,
        string $name,
        ?string $tab = null,
        bool $hasIds = false,
        ?string $left = null,
    ): Saved|Unfit|UnknownBase {
        $head = $this->states->tree($item->root);
        foreach ($content->pictures as $bytes) {
            $this->pictures->handle($item, $bytes);
        }
        $tree = $hasIds && self::knows($head, $content->tree)
            ? $this->kept($content, $item)
            : ($content->kind->grid() === null
                ? self::matched($content->kind, $head, $content->tree)
                : $this->table($content->kind, $head, $content->tree, $tab));

        $saved = $this->save->handle(
            $item,
            $editor,
            new Sent(
                $item->root,
                $tree,
                'file',
                keep: true,
                grows: false,
                note: mb_substr(
                    __('item.from_file', ['name' => $name]).($left === null ? '' : ". {$left}"),
                    0,
                    (int) config('attic.note'),
                ),
            ),
        );

        return $saved instanceof Saved
            ? $saved->of($content->inTab((int) array_search($tab, $head->children()[PartTree::ROOT] ?? [], true)))
            : $saved;
    }

    /** Whether a file is of the same item: most of what both could have in common is under the same ids. */
    public static function knows(PartTree $head, PartTree $file): bool
    {
        $same = count(array_filter($file->parts, fn (Part $part) => $head->find($part->id)?->role === $part->role));

        return $same > 0 && 2 * $same >= min(count($file->parts), count($head->parts));
    }

    /** As it is, but for pictures that are neither in the file nor in the item. */
    private function kept(Content $content, Item $item): PartTree
    {
        $wanted = Kinds::chunks($content->kind, $content->tree);
        $missing = array_diff($wanted, $item->pictures()->whereIn('chunk', $wanted)->pluck('chunk')->all());

        return $missing === []
            ? $content->tree
            : PartTree::of(
                array_values(
                    array_filter(
                        $content->tree->parts,
                        fn (Part $part) => array_intersect($content->kind->chunksOf($part), $missing) === [],
                    ),
                ),
            );
    }

    private function table(Kind $kind, PartTree $head, PartTree $new, ?string $tab): PartTree
    {
        $children = $new->children()[PartTree::ROOT] ?? [];
        $one = $tab !== null && $head->has($tab) && count($children) === 1 ? PartTree::of($head->subtree($tab)) : null;
        if ($one !== null) {
            $new = PartTree::of(
                array_map(fn (Part $part) => $part->depth === 0 ? $part->with('name', $one->parts[0]->string('name')) : $part, $new->parts),
            );
        }
        // Formulas are told apart by how people spell them; a file without any leaves those that are there as they are.
        $hasFormulas = Spelling::hasFormulas($new);
        $spelled = $hasFormulas ? Spelling::spelled($head) : $head;
        $known = $one === null ? $spelled : PartTree::of($spelled->subtree($one->parts[0]->id));
        $matched = self::matched($kind, $known, Consequences::withoutResults($kind, Spelling::spelled($new)));
        $whole = $one === null ? $matched : $this->in($spelled, $one->parts[0]->id, $matched);

        return $hasFormulas ? Consequences::withoutResults($kind, Spelling::kept($kind->repair($whole))) : $kind->repair($whole);
    }

    /** The parts of the new one under the ids of those that they go together with. */
    public static function matched(Kind $kind, PartTree $old, PartTree $new): PartTree
    {
        $grid = $kind->grid();
        if ($grid === null) {
            $matched = Matching::adopt($old, $new)->tree;
            $ids = [];
            foreach ($matched->parts as $part) {
                $old->has($part->id) || $ids[$part->id] = MakeItem::partId();
            }

            return Fresh::ids($matched, $ids);
        }
        // Most files hold no looks, so that what goes together is told without them.
        $written = Retained::written($grid, $new);
        $results = ! Spelling::hasFormulas($new);
        $matched = Matching::adopt(
            Retained::bare($grid, Retained::written($grid, $old), $results),
            Retained::bare($grid, $written, $results),
            $grid,
        )->tree;
        $known = [];
        foreach ($written->parts as $at => $part) {
            $old->has($matched->parts[$at]->id) && $known[$part->id] = $matched->parts[$at]->id;
        }
        $whole = Retained::upToWritten($grid, $new);
        $known = Retained::emptyBetween($grid, $old, $whole, $known);
        $ids = array_combine(
            array_column($whole->parts, 'id'),
            array_map(fn (Part $part): string => $known[$part->id] ?? MakeItem::partId(), $whole->parts),
        );

        return Retained::of($grid, $old, Fresh::ids($whole, $ids));
    }

    /** The whole with one tab replaced. */
    private function in(PartTree $whole, string $tab, PartTree $new): PartTree
    {
        $at = (int) $whole->position($tab);

        return PartTree::of([
            ...array_slice($whole->parts, 0, $at),
            ...$new->parts,
            ...array_slice($whole->parts, $at + count($whole->subtree($tab))),
        ]);
    }
}
