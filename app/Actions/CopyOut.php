<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Cause;
use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;

/** Makes a new item from any version of another; its content is shared, not copied. */
final readonly class CopyOut
{
    public function __construct(private States $states, private WriteVersion $write, private KeepPicture $pictures) {}

    /** @param string|null $tab of a spreadsheet, the only one that is wanted */
    public function handle(Version $version, Shelf $to, User $maker, string $title, ?string $tab = null): Item
    {
        return DB::transaction(function () use ($version, $to, $maker, $title, $tab) {
            $from = $version->item;
            $whole = $this->states->tree($version->root);
            $kind = Kinds::named($from->kind);
            $tree = $tab === null || ! $whole->has($tab) ? $whole : Consequences::of($kind, $whole, PartTree::of($whole->subtree($tab)), now()->format('Y-m-d'));
            $root = $tree === $whole ? $version->root : $this->states->keep($tree, $version->root);
            $item = Item::query()->create(['key' => MakeItem::key(), 'shelf_id' => $to->id, 'kind' => $from->kind, 'title' => $title, 'head' => 0, 'root' => $root, 'copied_from' => $version->id, 'changed_at' => now()]);
            $this->pictures->share($from, $item, $tree);
            $this->write->handle($item, $maker, new Written(PartTree::of([]), $tree, $root, Cause::Copied, of: $from->title));

            return $item;
        });
    }
}
