<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Cause;
use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;

/** Makes an empty item with its first version. */
final readonly class MakeItem
{
    public function __construct(private States $states, private WriteVersion $write) {}

    /** @param string|null $firstId the id of the first part, random if not given */
    public function handle(Shelf $shelf, User $maker, string $kind, string $title, ?string $firstId = null): Item
    {
        return DB::transaction(function () use ($shelf, $maker, $kind, $title, $firstId) {
            $blank = Kinds::named($kind)->blank($firstId ?? 'p'.Str::lower(Str::random(9)));
            $root = $this->states->keep($blank);
            $item = Item::query()->create(['key' => self::key(), 'shelf_id' => $shelf->id, 'kind' => $kind, 'title' => $title, 'head' => 0, 'root' => $root, 'changed_at' => now()]);
            $this->write->handle($item, $maker, new Written(PartTree::of([]), $blank, $root, Cause::Made));

            return $item;
        });
    }

    public static function key(): string
    {
        return Str::lower(Str::random(12));
    }
}
