<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Models\Item;
use App\Models\Version;
use App\Store\States;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Report\ReportKind;

/** The datasets that a report is published with, each in one version, where readers keep the figures of the day. */
final readonly class PinnedData
{
    public function __construct(private States $states) {}

    /** @return array<string, int> dataset => its newest version */
    public function newest(PartTree $report): array
    {
        return array_map(
            intval(...),
            Version::query()
                ->join('items', 'items.id', '=', 'versions.item_id')
                ->where('items.kind', 'dataset')
                ->whereIn('items.key', ReportKind::sources($report))
                ->where('versions.saved_at', '<=', now()->format('Y-m-d H:i:s'))
                ->groupBy('items.key')
                ->selectRaw('items.key AS dataset, MAX(versions.number) AS number')
                ->pluck('number', 'dataset')
                ->all(),
        );
    }

    /**
     * What readers would see newer if the same version of a report was published again.
     *
     * @return array<string, array{int, int}> dataset => the version that they see, and the newest
     */
    public function behind(Item $item, Version $version): array
    {
        $live = $item->live;
        if ($item->kind !== 'report' || ! $item->pins || $live === null || $live->data === null || $live->version_id !== $version->id) {
            return [];
        }
        $behind = [];
        foreach ($this->newest($this->states->tree($version->root)) as $dataset => $number) {
            if ($number > ($live->data[$dataset] ?? 0)) {
                $behind[$dataset] = [$live->data[$dataset] ?? 0, $number];
            }
        }

        return $behind;
    }
}
