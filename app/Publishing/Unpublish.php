<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Models\Item;
use App\Models\LogLine;
use App\Models\Publishing;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Lets readers see nothing of an item any more. The draft and its history stay. */
final class Unpublish
{
    public function handle(Item $item, User $publisher): void
    {
        DB::transaction(function () use ($item, $publisher): void {
            Publishing::query()->where('id', $item->refresh()->live_id)->update(['ended_at' => now(), 'ender_id' => $publisher->id]);
            $item->update(['live_id' => null]);
            LogLine::ofItem('unpublished', $publisher, $item);
        });
    }
}
