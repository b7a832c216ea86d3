<?php

declare(strict_types=1);

namespace App\Kinds\Page;

use App\Kinds\Report\ReportData;
use App\Kinds\Report\ReportView;
use App\Models\Item;
use App\Store\States;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;

/**
 * The figures of public reports that a page names by their address, such as `/read/quarterly-repairs#part-p1`: shown with what they are
 * now.
 */
final readonly class PageFigures
{
    public function __construct(private States $states, private ReportData $data) {}

    public function filled(PartTree $page): PartTree
    {
        return PartTree::of(array_map(fn (Part $part) => $part->role === 'figure' ? $this->figure($part) : $part, $page->parts));
    }

    private function figure(Part $part): Part
    {
        if (preg_match('~(?:^|//[^/]+)/read/([\w-]+)#part-([\w-]+)$~D', $part->string('source'), $found) !== 1) {
            return $part;
        }
        $report = Item::query()->with('live.version')->public($found[1])->where('kind', 'report')->first();
        $live = $report?->live;
        $widget = $live === null
            ? null
            : (new ReportView($this->states->tree($live->version->root), $this->data->published($live)))->widgets()[$found[2]] ?? null;
        if ($widget === null || $widget->widget->type !== 'figure' || $widget->broken !== null) {
            return $part;
        }

        return $part->with(
            'label',
            ($part->string('label') === '' ? $widget->title() : $part->string('label')).': '.$widget->number($widget->figure()[0]),
        );
    }
}
