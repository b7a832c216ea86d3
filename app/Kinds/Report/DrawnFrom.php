<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Models\Item;
use App\Models\User;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Report\ReportKind;
use MistyAttic\Core\Kinds\Report\ReportRole;

/** Which reports draw from which datasets, by their newest states. */
final readonly class DrawnFrom
{
    public function __construct(private States $states) {}

    /** A report was written. */
    public function keep(Item $report, PartTree $tree): void
    {
        DB::table('report_sources')->where('report_id', $report->id)->delete();
        DB::table('report_sources')->insert(
            array_map(fn (string $source) => ['report_id' => $report->id, 'source' => $source], ReportKind::sources($tree)),
        );
    }

    /** Another one whenever data changed that a report draws from. */
    public function stamp(Item $report): string
    {
        return hash(
            'xxh32',
            (string) Item::query()
                ->whereIn('key', DB::table('report_sources')->where('report_id', $report->id)->select('source'))
                ->orderBy('key')
                ->pluck('root')
                ->implode(''),
        );
    }

    /** @return list<string> which reports would lack their data, for somebody who is about to delete it */
    public function hanging(Item $dataset, User $person): array
    {
        $reports = Item::query()
            ->with('shelf.memberships')
            ->standing()
            ->whereIn('id', DB::table('report_sources')->where('source', $dataset->key)->select('report_id'))
            ->orderBy('title')
            ->get();
        $told = $reports->filter(fn (Item $report) => Gate::forUser($person)->allows('draft', $report));
        $others = $reports->count() - $told->count();

        return [
            ...$told
                ->map(
                    fn (Item $report) => (string) __('keeping.hanging.report', ['title' => $report->title, 'shelf' => $report->shelf->name]),
                )
                ->values()
                ->all(),
            ...$others === 0 ? [] : [trans_choice('keeping.hanging.reports', $others, ['count' => (string) $others])],
        ];
    }

    /**
     * The widgets that draw from a dataset, with the page that each is on.
     *
     * @param  list<int>  $shelves  ids of those whose reports are looked at
     * @return list<array{report: Item, page: Part, widget: Part}>
     */
    public function widgets(Item $dataset, array $shelves): array
    {
        $widgets = [];
        $reports = Item::query()
            ->with('shelf.memberships')
            ->standing()
            ->whereIn('shelf_id', $shelves)
            ->whereIn('id', DB::table('report_sources')->where('source', $dataset->key)->select('report_id'))
            ->orderBy('title')
            ->orderBy('id')
            ->get();
        foreach ($reports as $report) {
            $page = null;
            foreach ($this->states->tree($report->root)->parts as $part) {
                if ($part->role === ReportRole::Page->value) {
                    $page = $part;
                } elseif ($page !== null && $part->string('source') === $dataset->key) {
                    $widgets[] = ['report' => $report, 'page' => $page, 'widget' => $part];
                }
            }
        }

        return $widgets;
    }
}
