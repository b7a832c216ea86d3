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
use App\Store\States;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kind;

/** Brings a part back, with what is below it, to a place that somebody chose, because where it stood is gone. */
final readonly class PutPartBack
{
    public function __construct(private States $states, private WriteVersion $write, private WorkAhead $ahead) {}

    /**
     * @param  string  $into  the part that it becomes the last below
     * @return Version|null null when something was saved since that was asked, or when there is no such place
     */
    public function handle(Item $item, Version $version, User $editor, int $seen, string $part, string $into): ?Version
    {
        $work = function (ChunksAhead $chunks) use ($item, $version, $editor, $seen, $part, $into): ?Made {
            $now = $this->states->tree($item->root);
            $then = $this->states->tree($version->root);
            if ($item->head !== $seen || ! $now->has($into) || $now->get($into)->role !== $then->get($then->parent($part))->role) {
                return null;
            }
            $back = $then->subtree($part);
            $ids = array_column($back, 'id');
            $children = array_map(
                fn (array $below) => array_values(array_diff($below, $ids)),
                array_diff_key($now->children(), array_flip($ids)),
            );
            $children[$into] = [...$children[$into] ?? [], $part];
            $parts = $now->byId();
            foreach ($back as $each) {
                $parts[$each->id] = $each;
                $children[$each->id] = $then->children()[$each->id] ?? [];
            }
            $after = PartTree::grow($children, $parts);
            $states = new States($chunks);
            $root = $states->keep($after, $item->root);
            $written = new Written($now, $after, $root, Cause::BroughtBack, source: $version->number);

            return $root === $item->root ? null : new Made($chunks, $written, $this->write->ahead($states, $item, $editor, $written));
        };

        return $this->ahead->handle(
            $item,
            $work,
            fn (Made $made): Version => $this->write->handle($item, $editor, $made->written, $made->compared),
        );
    }

    /** The column that a block stood in, if it is there no more. */
    public static function columnGone(Kind $kind, PartTree $now, PartTree $then, string $part): ?string
    {
        $parent = $then->parent($part);
        $isColumn = $parent !== PartTree::ROOT && $then->get($parent)->role === $kind->beside();

        return $isColumn && ! $now->has($parent) ? $parent : null;
    }
}
