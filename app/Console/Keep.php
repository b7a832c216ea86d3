<?php

declare(strict_types=1);

namespace App\Console;

use App\Keeping\DeleteForGood;
use App\Keeping\FreedBytes;
use App\Keeping\KeepByRules;
use App\Keeping\Rehearsed;
use App\Models\Item;
use App\Models\Shelf;
use App\Store\WhatIsKept;
use Illuminate\Console\Command;
use Illuminate\Database\Eloquent\Builder;

/**
 * To be run every night, before `attic:tidy`: lets versions go by the rules, and what was deleted long enough ago. What went is in the log
 * of its shelf.
 */
final class Keep extends Command
{
    protected $signature = 'attic:keep {--rehearse : Say what would go, and let nothing go}';

    protected $description = 'Lets versions go as the keeping rules say, and what was in Lost & found for as long as its shelf keeps it';

    public function handle(KeepByRules $keep, FreedBytes $freed, DeleteForGood $delete): int
    {
        $only = (bool) $this->option('rehearse');
        $ids = [];
        $gone = 0;
        foreach (Item::query()->with('shelf')->whereNull('form_id')->standing()->lazyById() as $item) {
            $rules = WhatIsKept::item($item);
            if (! $rules->thins()) {
                continue;
            }
            $rehearsed = new Rehearsed($item, $rules);
            if ($rehearsed->go !== []) {
                $this->line(
                    "{$item->shelf->name} / {$item->title}: "
                        .count($rehearsed->go)
                        .' of '
                        .$rehearsed->versions->count()
                        .' versions '
                        .($only ? 'would go' : 'go')
                        .". {$rules->said()}",
                );
            }
            $only ? array_push($ids, ...$rehearsed->ids()) : $gone += $keep->handle($item);
        }
        $lost = $this->lost();
        foreach ($lost->lazyById() as $item) {
            $this->line(
                "{$item->shelf->name} / {$item->title}: in Lost & found since {$item->deleted_at?->format('j F Y')}, "
                    .($only ? 'would go for good' : 'goes for good'),
            );
            $only || $delete->item($item, null);
        }
        $this->line(
            $only
                ? count($ids).' versions would go, '.number_format($freed->of($ids)).' bytes really come back.'
                : "{$gone} versions went. attic:tidy gives back what only they held.",
        );

        return self::SUCCESS;
    }

    /** @return Builder<Item> what was deleted for longer than its shelf keeps it */
    private function lost(): Builder
    {
        return Item::query()->with('shelf', 'deleter')->whereNull('form_id')->whereNotNull('items.deleted_at')
            ->where(function (Builder $query): void {
                $query->whereRaw('0');
                foreach (Shelf::query()->whereNotNull('lost_days')->whereNull('deleted_at')->get() as $shelf) {
                    $query->orWhere(
                        fn (Builder $each) => $each
                            ->where('shelf_id', $shelf->id)
                            ->where('items.deleted_at', '<', now()->subDays((int) $shelf->lost_days)->format('Y-m-d H:i:s')),
                    );
                }
            });
    }
}
