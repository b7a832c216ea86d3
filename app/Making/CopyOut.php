<?php

declare(strict_types=1);

namespace App\Making;

use App\Models\Cause;
use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Saving\Made;
use App\Saving\WorkAhead;
use App\Saving\WriteVersion;
use App\Saving\Written;
use App\Store\ChunksAhead;
use App\Store\States;
use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;

/** Makes a new item from any version of another; its content is shared, not copied. */
final readonly class CopyOut
{
    public function __construct(private States $states, private WriteVersion $write, private KeepPicture $pictures, private WorkAhead $ahead) {}

    /** @param string|null $tab of a spreadsheet, the only one that is wanted */
    public function handle(Version $version, Shelf $to, User $maker, string $title, ?string $tab = null): Item
    {
        $from = $version->item;
        $item = new Item(['key' => MakeItem::key(), 'shelf_id' => $to->id, 'kind' => $from->kind, 'title' => $title, 'head' => 0, 'copied_from' => $version->id, 'changed_at' => now()]);
        $work = function (ChunksAhead $chunks) use ($version, $from, $item, $maker, $tab): Made {
            $whole = $this->states->tree($version->root);
            $kind = Kinds::named($from->kind);
            $tree = $tab === null || ! $whole->has($tab) ? $whole : Consequences::of($kind, $whole, PartTree::of($whole->subtree($tab)), now()->format('Y-m-d'));
            $states = new States($chunks);
            $written = new Written(PartTree::of([]), $tree, $tree === $whole ? $version->root : $states->keep($tree, $version->root), Cause::Copied, of: $from->title);

            return new Made($chunks, $written, $this->write->ahead($states, $item, $maker, $written));
        };

        return $this->ahead->forNew($work, function (Made $made) use ($from, $item, $maker): Item {
            $item->fill(['root' => $made->written->root])->save();
            $this->pictures->share($from, $item, $made->written->after ?? PartTree::of([]));
            $this->write->handle($item, $maker, $made->written, $made->compared);

            return $item;
        });
    }
}
