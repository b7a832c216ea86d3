<?php

declare(strict_types=1);

namespace App\Making;

use App\Models\Item;
use App\Models\Version;
use Illuminate\Support\Facades\DB;

/** An item that follows another one stays with what it has, whatever becomes of its source. */
final class StopFollowing
{
    public function handle(Item $item): void
    {
        DB::transaction(function () use ($item): void {
            $source = $item->refresh()->source ?? throw new \LogicException('It comes from somewhere');
            $item->update([
                'source_number' => $source->head,
                ...$item->follows() ? ['source_state' => (string) self::newest($source)] : [],
            ]);
        });
    }

    /** The newest version of all that a source consists of, by its id. */
    public static function newest(Item $source): int
    {
        return (int) Version::query()
            ->whereIn('item_id', $source->isAnswered() ? $source->entries()->select('id') : [$source->id])
            ->max('id');
    }
}
