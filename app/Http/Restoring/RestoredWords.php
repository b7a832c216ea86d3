<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Models\Cause;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\Version;

/** What came of a restore, in words. */
final class RestoredWords
{
    /** @param Publishing|null $published null when readers see nothing of it yet */
    public static function of(Item $item, Version $restored, ?Publishing $published): string
    {
        $values = ['source' => (string) $restored->source, 'number' => (string) $restored->number];
        $isPart = $restored->cause === Cause::BroughtBack;

        return match (true) {
            $published !== null => __('publishing.restored_live', $values),
            $item->isPublishable() && $item->live !== null => __($isPart ? 'publishing.brought_back_draft' : 'publishing.restored_draft', [
                ...$values, 'live' => (string) $item->live->version->number,
            ]),
            default => __($isPart ? 'item.brought_back' : 'item.restored', $values),
        };
    }

    /** @param list<Version> $made */
    public static function together(array $made): string
    {
        $titles = array_map(fn (Version $one): string => '“'.$one->load('item')->item->title.'” '.$one->number, $made);

        return __('report.restored', ['what' => implode(', ', $titles)]);
    }
}
