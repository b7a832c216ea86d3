<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Models\Item;
use App\Models\Picture;
use App\Models\Publishing;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use MistyAttic\Core\Kinds\Kinds;

/**
 * Lets the public read what is published of an item at an address of its own, or no longer. The address stays for good, and so
 * does what was once live at it; what was live for the shelf alone is not the public's, unless that is wanted.
 */
final readonly class OpenToPublic
{
    public function __construct(private States $states) {}

    /** @param bool $earlier whether what readers of the shelf saw before is opened as well */
    public function handle(Item $item, bool $open, bool $earlier = false): void
    {
        DB::transaction(function () use ($item, $open, $earlier): void {
            $item->refresh()->update(['is_public' => $open, 'address' => $item->address ?? ($open ? $this->free($item) : null)]);
            if ($open) {
                $item
                    ->publishings()
                    ->with('version')
                    ->whereNotNull('count')
                    ->when(! $earlier, fn ($query) => $query->whereKey($item->live_id))
                    ->get()
                    ->each(fn (Publishing $publishing) => $this->show($item, $publishing));
            }
        });
    }

    /** A state that is read at the address, now or as what was once live. */
    public function show(Item $item, Publishing $publishing): void
    {
        $publishing->update(['is_public' => true]);
        $chunks = Kinds::chunks(Kinds::named($item->kind), $this->states->tree($publishing->version->root));
        Picture::query()->where('item_id', $item->id)->whereIn('chunk', $chunks)->update(['is_public' => true]);
    }

    private function free(Item $item): string
    {
        $name = Str::limit(Str::slug($item->title), 60, '') ?: $item->kind;
        for ($address = $name, $count = 2; Item::query()->where('address', $address)->exists(); $count++) {
            $address = "{$name}-{$count}";
        }

        return $address;
    }
}
