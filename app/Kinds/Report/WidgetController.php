<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Http\Controller;
use App\Models\Item;
use App\Store\States;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Workbook\SheetFormat;
use MistyAttic\Core\Kinds\Report\Widget;

/** A page or a widget of a report: its settings, and its figures as a file. */
final class WidgetController extends Controller
{
    public function __construct(private readonly States $states, private readonly ReportData $data) {}

    /** The settings, for a dataset that is chosen. */
    public function settings(Request $request, Item $item, string $part): View
    {
        Gate::authorize('write', $item);
        abort_unless($item->kind === 'report', 404);
        $tree = $this->states->tree($item->root);
        $found = $tree->find($part) ?? abort(404);
        $asked = fn (string $name): string => is_string($request->query($name)) ? $request->query($name) : $found->string($name);
        $source = $asked('source');
        $datasets = ReportSources::of($this->person($request));
        $isKnown = $datasets->contains('key', $source);

        return view($found->role === 'page' ? 'kinds.report.page-settings' : 'kinds.report.widget-settings', [
            'item' => $item,
            'part' => $found,
            'datasets' => $datasets,
            'source' => $source,
            'pages' => array_map($tree->get(...), $tree->children()[PartTree::ROOT] ?? []),
            'type' => $asked('type'),
            'fields' => $isKnown ? $this->data->now($this->person($request))->records($source)->fields ?? [] : [],
            'isHidden' => ! $isKnown && $source !== '' && $source === $found->string('source'),
            'widget' => $found->role === 'widget' ? new Widget($found) : null,
        ]);
    }

    /** The figures as CSV. */
    public function figures(Request $request, Item $item, string $part): Response
    {
        Gate::authorize('view', $item);
        abort_unless($item->kind === 'report', 404);
        $report = new ReportView($this->states->tree($item->root), $this->data->of($item, $this->person($request)));
        $view = $report->widgets()[$part] ?? abort(404);
        abort_if($view->figures === null || $view->figures->problems !== [], 404);

        return response(SheetFormat::Csv->write(FiguresSheet::tree($view, $view->figures), null), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="figures.csv"',
        ]);
    }
}
