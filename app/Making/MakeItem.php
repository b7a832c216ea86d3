<?php

declare(strict_types=1);

namespace App\Making;

use App\Models\Cause;
use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\Saving\Made;
use App\Saving\WorkAhead;
use App\Saving\WriteVersion;
use App\Saving\Written;
use App\Store\Chunks\ChunksAhead;
use App\Store\States;
use Closure;
use Illuminate\Support\Str;
use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Fresh;
use MistyAttic\Core\Kinds\Kinds;

/** Makes an item with its first version, empty or with what a file holds. */
final readonly class MakeItem
{
    public function __construct(private WriteVersion $write, private KeepPicture $pictures, private WorkAhead $ahead) {}

    /**
     * @param  string|null  $firstId  the id of the first part, random if not given
     * @param  Content|null  $content  of the same kind
     * @param  bool  $keepIds  of what is bound to something else by them
     * @param  Item|null  $picturesOf  whose pictures the content shows
     * @param  (Closure(Item): void)|null  $first  done with the item before its first version is written, with it or not at all: it keeps
     *     what the content rests on
     */
    public function handle(
        Shelf $shelf,
        User $maker,
        string $kind,
        string $title,
        ?string $firstId = null,
        ?Content $content = null,
        bool $keepIds = false,
        ?Item $picturesOf = null,
        ?string $note = null,
        ?Closure $first = null,
    ): Item {
        $tree = $content === null || $content->tree->parts === []
            ? Kinds::named($kind)->blank($firstId ?? self::partId())
            : $this->own($content, $keepIds, $first !== null);
        $pictures = $content->pictures ?? [];
        // What a large file held is there once.
        $content = null;
        $tree = Consequences::of(Kinds::named($kind), PartTree::of([]), $tree, now()->format('Y-m-d'));

        $item = new Item([
            'key' => self::key(),
            'shelf_id' => $shelf->id,
            'kind' => $kind,
            'title' => $title,
            'head' => 0,
            'changed_at' => now(),
        ]);
        $work = function (ChunksAhead $chunks) use ($item, $maker, $tree, $note): Made {
            $states = new States($chunks);
            $written = new Written(PartTree::of([]), $tree, $states->keep($tree), Cause::Made, note: $note);

            return new Made($chunks, $written, $this->write->ahead($states, $item, $maker, $written));
        };

        return $this->ahead->forNew($work, function (Made $made) use ($item, $maker, $tree, $pictures, $picturesOf, $first): Item {
            $item->fill(['root' => $made->written->root])->save();
            $first === null || $first($item);
            foreach ($pictures as $bytes) {
                $this->pictures->handle($item, $bytes);
            }
            $picturesOf === null || $this->pictures->share($picturesOf, $item, $tree);
            $this->write->handle($item, $maker, $made->written, $made->compared);

            return $item;
        });
    }

    /** The parts, under ids of their own unless they keep theirs; a picture that is elsewhere, or is none, is left out. */
    private function own(Content $content, bool $keepIds, bool $isKept): PartTree
    {
        $parts = $ids = [];
        foreach ($content->tree->parts as $part) {
            $chunks = $content->kind->chunksOf($part);
            if (
                $isKept
                || array_filter(
                    $chunks,
                    fn (string $chunk) => ! isset($content->pictures[$chunk]) || KeepPicture::type($content->pictures[$chunk]) === null,
                ) === []
            ) {
                $parts[] = $part;
                $ids[$part->id] = self::partId();
            }
        }

        return $parts === []
            ? $content->kind->blank(self::partId())
            : ($keepIds
                ? PartTree::of($parts)
                : Fresh::ids(PartTree::of($parts), $ids));
    }

    public static function partId(): string
    {
        return 'p'.Str::lower(Str::random(9));
    }

    public static function key(): string
    {
        return Str::lower(Str::random(12));
    }
}
