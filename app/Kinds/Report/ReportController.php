<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Http\Controller;
use App\Making\MakeItem;
use App\Models\Item;
use App\Models\User;
use App\Publishing\PublishVersion;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\HandedRoots;
use App\Store\States;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Workbook\SheetFormat;
use MistyAttic\Core\Kinds\Report\ReportEdit;
use MistyAttic\Core\Kinds\Report\ReportStep;
use MistyAttic\Core\Kinds\Report\Widget;

/** Laying out a report step by step, and its figures as files. What others did meanwhile is merged. */
final class ReportController extends Controller
{
    public function __construct(private readonly States $states, private readonly HandedRoots $handed, private readonly ReportData $data) {}

    public function edit(ReportStepRequest $request, Item $item, SaveState $save): JsonResponse
    {
        abort_unless($item->kind === 'report', 404);
        $sent = $request->validated();
        abort_unless($this->handed->has($item, $sent['base']), 409, __('report.moved_on'));
        [$tree, $touched] = $this->after($item, $this->person($request), $sent);
        abort_if($tree === null, 422, __('report.not_there'));
        $saved = $save->handle($item, $this->person($request), new Sent($sent['base'], $tree, $sent['do'] === 'undo' ? Str::random(40) : $sent['client']));
        abort_unless($saved instanceof Saved, 422, __('report.not_there'));

        return response()->json(['root' => $saved->root, 'before' => $sent['base'], 'after' => $saved->sent, 'number' => $saved->version->number, 'held' => count($saved->held), 'touched' => $touched, 'html' => $this->sheet($item->refresh(), $this->person($request), $this->text($request, 'shown'))]);
    }

    /**
     * What a step makes of the state that it was taken in, and the part that it is about. Undoing goes back to a state that was
     * there before, and keeps what others did since.
     *
     * @param  array<string, mixed>  $sent
     * @return array{?PartTree, ?string}
     */
    private function after(Item $item, User $person, array $sent): array
    {
        if ($sent['do'] === 'undo') {
            return [isset($sent['back']) && $this->handed->has($item, $sent['back']) ? $this->states->tree($sent['back']) : null, null];
        }
        $step = ReportStep::tryFrom($sent['do']);
        $tree = $this->states->tree($sent['base']);
        if ($step === ReportStep::AddPage && ($sent['title'] ?? '') === '') {
            $sent['title'] = (string) __('report.page', ['number' => (string) (count($tree->children()[PartTree::ROOT] ?? []) + 1)]);
        }
        if ($step === ReportStep::AddWidget && ($sent['source'] ?? '') === '') {
            // Where there is only one that it can be drawn from, it is that one.
            $datasets = ReportSources::of($person);
            $sent['source'] = $datasets->count() === 1 ? $datasets->firstOrFail()->key : '';
        }
        $edit = $step === null ? null : ReportEdit::of($tree, $step, $sent, MakeItem::partId());

        return [$edit?->tree, $edit?->touched];
    }

    /** The pages again, when somebody else changed them. */
    public function show(Request $request, Item $item): JsonResponse
    {
        Gate::authorize('draft', $item);
        abort_unless($item->kind === 'report', 404);

        return response()->json(['root' => $item->root, 'number' => $item->head, 'html' => $this->sheet($item, $this->person($request), $this->text($request, 'shown'))]);
    }

    /** The settings of a page or a widget, for a dataset that is chosen. */
    public function settings(Request $request, Item $item, string $part): View
    {
        $this->authorizeWrite($item);
        $tree = $this->states->tree($item->root);
        $found = $tree->find($part) ?? abort(404);
        $source = is_string($request->query('source')) ? $request->query('source') : $found->string('source');
        $datasets = ReportSources::of($this->person($request));
        $isKnown = $datasets->contains('key', $source);

        return view($found->role === 'page' ? 'kinds.report.page-settings' : 'kinds.report.widget-settings', [
            'item' => $item, 'part' => $found, 'datasets' => $datasets, 'source' => $source, 'pages' => array_map($tree->get(...), $tree->children()[PartTree::ROOT] ?? []),
            'type' => is_string($request->query('type')) ? $request->query('type') : $found->string('type'),
            'fields' => $isKnown ? $this->data->now($this->person($request))->records($source)->fields ?? [] : [], 'isHidden' => ! $isKnown && $source !== '' && $source === $found->string('source'),
            'widget' => $found->role === 'widget' ? new Widget($found) : null,
        ]);
    }

    /** The figures of a widget as CSV. */
    public function figures(Request $request, Item $item, string $part): Response
    {
        Gate::authorize('view', $item);
        abort_unless($item->kind === 'report', 404);
        $view = (new ReportView($this->states->tree($item->root), $this->data->of($item, $this->person($request))))->widgets()[$part] ?? abort(404);
        abort_if($view->figures === null || $view->figures->problems !== [], 404);

        return response(SheetFormat::Csv->write(FiguresSheet::tree($view, $view->figures), null), 200, ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => 'attachment; filename="figures.csv"']);
    }

    /** Whether a published report keeps the data that it was published with, or follows it. */
    public function pin(PinRequest $request, Item $item, PublishVersion $publish): RedirectResponse
    {
        abort_unless($item->kind === 'report', 404);
        $item->update(['pins' => (bool) $request->validated('pins')]);
        $said = $item->pins ? 'report.pinned' : 'report.following';
        if ($item->live !== null && ($item->live->data === null) === $item->pins) {
            // Readers see it at once: what is live is published once more, with its figures otherwise.
            $said .= '_now';
            $publish->handle($item->live->version->setRelation('item', $item), $this->person($request), __($said));
        }

        return redirect()->back(fallback: route('item', $item))->with('said', __($said));
    }

    private function sheet(Item $item, User $person, string $shown): string
    {
        return view('kinds.report.sheet', ['item' => $item, 'report' => Desk::report($item, $this->states, $this->data->now($person)), 'shown' => $shown, 'mayWrite' => Gate::allows('write', $item), 'data' => null])->render();
    }

    private function authorizeWrite(Item $item): void
    {
        Gate::authorize('write', $item);
        abort_unless($item->kind === 'report', 404);
    }
}
