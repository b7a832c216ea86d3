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
use App\Store\Chunks\ChunksAhead;
use App\Store\States;
use App\Talk\TakeAlong;
use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Content\InvalidContent;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;

/** Makes a new item from any version of another; its content is shared, not copied. */
final readonly class CopyOut
{
    public function __construct(
        private States $states,
        private WriteVersion $write,
        private KeepPicture $pictures,
        private WorkAhead $ahead,
        private TakeAlong $talk,
        private HistoryAlong $history,
        private ProposalsAlong $proposals,
    ) {}

    /**
     * @param  list<string>  $parts  the only ones that are wanted, or cells as row/column; none for all
     * @param  bool|null  $openTalk  whether of what was said only what is open goes along, or all of it; null for none
     * @param  bool  $history  whether all versions up to it go along; of all of its parts only
     * @param  bool  $proposals  whether what was proposed then goes along
     *
     * @throws InvalidContent when these make no item of their own
     */
    public function handle(
        Version $version,
        Shelf $to,
        User $maker,
        string $title,
        array $parts = [],
        ?bool $openTalk = null,
        bool $history = false,
        bool $proposals = false,
    ): Item {
        $from = $version->item;
        $item = new Item([
            'key' => MakeItem::key(),
            'shelf_id' => $to->id,
            'kind' => $from->kind,
            'title' => $title,
            'head' => 0,
            'copied_from' => $version->id,
            'changed_at' => now(),
        ]);
        [$history, $proposals] = [$history && $parts === [], $proposals && $parts === []];
        $work = function (ChunksAhead $chunks) use ($version, $item, $maker, $parts, $history): Made {
            $states = new States($chunks);
            $written = $this->written($states, $version, $parts, $history);

            return new Made($chunks, $written, $this->write->ahead($states, $item, $maker, $written));
        };

        return $this->ahead->forNew($work, function (Made $made) use ($version, $item, $maker, $openTalk, $history, $proposals): Item {
            $item->fill(['root' => $made->written->root])->save();
            $history && $this->history->handle($version, $item);
            $this->pictures->share($version->item, $item, $made->written->after ?? PartTree::of([]));
            $this->write->handle($item, $maker, $made->written, $made->compared);
            $proposals && $this->proposals->handle($version, $item);
            $openTalk === null || $this->talk->handle($version, $item, $made->written->after ?? PartTree::of([]), $openTalk);

            return $item;
        });
    }

    /** @param list<string> $parts */
    private function written(States $states, Version $version, array $parts, bool $history): Written
    {
        $whole = $this->states->tree($version->root);
        $kind = Kinds::named($version->item->kind);
        $tree = $parts === [] ? $whole : Consequences::of($kind, $whole, self::some($kind, $whole, $parts), now()->format('Y-m-d'));

        return new Written(
            $history ? $tree : PartTree::of([]),
            $tree,
            $tree === $whole ? $version->root : $states->keep($tree, $version->root),
            Cause::Copied,
            of: $version->item->title,
        );
    }

    /**
     * Some parts as content of their own: a row with the columns of its table.
     *
     * @param  list<string>  $parts
     */
    private static function some(Kind $kind, PartTree $whole, array $parts): PartTree
    {
        $wanted = array_values(array_unique(array_filter(array_map(fn (string $part) => explode('/', $part)[0], $parts), $whole->has(...))));
        $grid = $kind->grid();
        $tables = array_unique(
            array_map($whole->parent(...), array_filter($wanted, fn (string $id) => $whole->get($id)->role === $grid?->row)),
        );
        foreach ($tables === [] ? [] : $whole->parts as $part) {
            if ($part->role === $grid?->column && in_array($whole->parent($part->id), $tables, true)) {
                $wanted[] = $part->id;
            }
        }
        $some = $whole->only($wanted);
        if ($some->parts === [] || $kind->problems($some, Limits::for($kind)) !== []) {
            throw InvalidContent::nothingOfItsOwn();
        }

        return $some;
    }
}
