<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Cause;
use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\PartTree;

/** Brings a part back, with what is below it, to a place that somebody chose, because where it stood is gone. */
final readonly class PutPartBack
{
    public function __construct(private States $states, private WriteVersion $write) {}

    /**
     * @param  string  $into  the part that it becomes the last below
     * @return Version|null null when something was saved since that was asked, or when there is no such place
     */
    public function handle(Item $item, Version $version, User $editor, int $seen, string $part, string $into): ?Version
    {
        return DB::transaction(function () use ($item, $version, $editor, $seen, $part, $into) {
            $now = $this->states->tree($item->refresh()->root);
            $then = $this->states->tree($version->root);
            if ($item->head !== $seen || ! $now->has($into) || $now->get($into)->role !== $then->get($then->parent($part))->role) {
                return null;
            }
            $back = $then->subtree($part);
            $ids = array_column($back, 'id');
            $children = array_map(fn (array $below) => array_values(array_diff($below, $ids)), array_diff_key($now->children(), array_flip($ids)));
            $children[$into] = [...($children[$into] ?? []), $part];
            $parts = $now->byId();
            foreach ($back as $each) {
                $parts[$each->id] = $each;
                $children[$each->id] = $then->children()[$each->id] ?? [];
            }
            $after = PartTree::grow($children, $parts);
            $root = $this->states->keep($after, $item->root);

            return $root === $item->root ? null : $this->write->handle($item, $editor, new Written($now, $after, $root, Cause::BroughtBack, source: $version->number));
        });
    }
}
