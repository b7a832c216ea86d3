<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Item;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Lets the public read what is published of an item at an address of its own, or no longer. The address stays for good. */
final class OpenToPublic
{
    public function handle(Item $item, bool $open): void
    {
        DB::transaction(fn () => $item->refresh()->update(['is_public' => $open, 'address' => $item->address ?? ($open ? $this->free($item) : null)]));
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
