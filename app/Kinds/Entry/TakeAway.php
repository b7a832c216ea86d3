<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Kinds\Dataset\Following\TellFollowers;
use App\Models\Item;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Takes an item out of sight, or brings it back; who did so when, and each time, is kept. */
final readonly class TakeAway
{
    public function __construct(private TellFollowers $followers) {}

    public function handle(Item $item, User $person, bool $back = false): void
    {
        DB::transaction(function () use ($item, $person, $back): void {
            if (($item->refresh()->deleted_at === null) !== $back) {
                $item->update(['deleted_at' => $back ? null : now(), 'deleted_by' => $back ? null : $person->id]);
                $item->removals()->create(['user_id' => $person->id, 'back' => $back, 'at' => now()]);
                $this->followers->removal($item, $person, $back);
            }
        });
    }
}
