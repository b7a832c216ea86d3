<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\RenameItem;
use App\Http\Requests\RenameRequest;
use App\Http\Requests\ShowItemRequest;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\Version;
use App\Store\DatasetColumns;
use App\Store\Proposed;
use App\Store\ReportData;
use App\Store\States;
use App\View\DatasetView;
use App\View\EntryList;
use App\View\EntryProposals;
use App\View\EntryView;
use App\View\FlowMap;
use App\View\PageFigures;
use App\View\PageHtml;
use App\View\Phrases;
use App\View\ReportView;
use App\View\RibbonData;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;

final class ItemController extends Controller
{
    private const FOOT_VERSIONS = 48;

    /** Bytes of content that come with the page; what is larger is asked for by it. */
    private const WITH_THE_PAGE = 4_194_304;

    public function __construct(private readonly ReportData $data, private readonly DatasetColumns $columns, private readonly PageFigures $figures) {}

    public function show(ShowItemRequest $request, Item $item, States $states, Phrases $phrases, RibbonData $ribbon): View|RedirectResponse
    {
        if ($item->kind === 'entry') {
            $own = Proposal::of($this->person($request), $item);
            $shown = $own === null ? null : app(Proposed::class)->onto($own, $states->tree($item->root))->tree;

            return view('entry', ['item' => $item->load('deleter'), 'own' => $own, 'beside' => EntryProposals::beside($item, $this->person($request)), 'view' => new EntryView($item, $states, is_array(old('a')) ? old('a') : null, $shown)]);
        }
        if ($item->kind === 'form' && $item->sight !== null) {
            return redirect()->route('answer', $item);
        }
        if ($item->sight !== null && $item->kind === 'report') {
            return view('report.read', ['item' => $item, 'report' => new ReportView($states->tree($item->root), $this->data->of($item, $this->person($request)))]);
        }
        if ($item->sight !== null) {
            return view('published', ['item' => $item, 'page' => new PageHtml($this->figures->filled($states->tree($item->root)), fn (string $chunk) => route('picture', [$item, $chunk]))]);
        }
        if ($item->kind === 'dataset') {
            return $this->dataset($request, $item, $states)->with($this->atFoot($item, $phrases, $ribbon));
        }
        $parts = $states->json($item->root);

        return view(['spreadsheet' => 'sheet', 'report' => 'report.write'][$item->kind] ?? 'write', [
            'item' => $item,
            'flow' => $item->kind === 'form' ? $this->flowOf($states->tree($item->root)) : null,
            'answered' => $item->kind === 'form' ? (object) EntryList::counts($item) : null,
            ...($item->kind === 'report' ? ['report' => new ReportView($states->tree($item->root), $this->data->now($this->person($request))), 'shown' => $this->text($request, 'page'), 'mayWrite' => Gate::allows('write', $item), 'data' => null] : []),
            ...$this->atFoot($item, $phrases, $ribbon),
            'parts' => strlen($parts) > self::WITH_THE_PAGE ? null : $parts,
            'at' => $this->text($request, 'at'),
            'held' => $this->held($request, $item),
        ]);
    }

    private function dataset(ShowItemRequest $request, Item $item, States $states): View
    {
        $sent = $request->validated();
        $view = new DatasetView($this->columns->records($item->root), $sent['sort'] ?? '', (bool) ($sent['down'] ?? false), trim((string) ($sent['find'] ?? '')), (int) ($sent['page'] ?? 1), $sent['unread'] ?? '');
        $fields = count($view->data->fields);

        return view('dataset.show', [
            'item' => $item->load('source'), 'view' => $view, 'kind' => Kinds::named('dataset'), 'tree' => PartTree::of(array_values($view->data->fields)),
            'ids' => fn (int $row): string => $states->part($item->root, $fields + $row)->id ?? '',
            'hanging' => DatasetView::hanging($item, $this->person($request), $states),
        ]);
    }

    /** The foot of the sheet anew: save line, last sentence, small ribbon. */
    public function foot(Item $item, Phrases $phrases, RibbonData $ribbon): View
    {
        Gate::authorize('draft', $item);

        return view('write.foot', ['item' => $item, ...$this->atFoot($item, $phrases, $ribbon)]);
    }

    /** @return array{newest: Version, sentence: string, ribbon: array<string, mixed>} */
    private function atFoot(Item $item, Phrases $phrases, RibbonData $ribbon): array
    {
        $newest = $this->newest($item);

        return ['newest' => $newest, 'sentence' => $phrases->version($newest), 'ribbon' => $ribbon->of($item, self::FOOT_VERSIONS)];
    }

    /** The notes beside the sheet anew: what is held back. */
    public function notes(Request $request, Item $item): View
    {
        Gate::authorize('draft', $item);

        return view('write.notes', ['item' => $item, 'held' => $this->held($request, $item)]);
    }

    private function flowOf(PartTree $form): FlowMap
    {
        return new FlowMap($form, $form);
    }

    /** The way through a form anew, as it is now. */
    public function flow(Item $item, States $states): View
    {
        Gate::authorize('draft', $item);
        abort_unless($item->kind === 'form', 404);
        return view('form.flow', ['flow' => $this->flowOf($states->tree($item->root)), 'title' => 'The way through']);
    }

    /** What can be done with it: as a page, or what a menu on a shelf holds. */
    public function menu(Request $request, Item $item): View
    {
        Gate::authorize('view', $item);
        abort_if($item->kind === 'entry', 404);
        $item->load('live.version');

        return view($request->boolean('part') ? 'menu-part' : 'menu', ['item' => $item]);
    }

    public function rename(RenameRequest $request, Item $item, RenameItem $rename): JsonResponse|RedirectResponse
    {
        $title = $request->title();
        $rename->handle($item, $this->person($request), $title);

        return $request->expectsJson() ? response()->json(['title' => $item->title]) : redirect()->route('item', $item);
    }

    private function newest(Item $item): Version
    {
        return Version::query()->with('user')->where(['item_id' => $item->id, 'number' => $item->head])->firstOrFail()->setRelation('item', $item->load('origin.item'));
    }

    /** @return Collection<int, HeldEdit> */
    private function held(Request $request, Item $item): Collection
    {
        return HeldEdit::query()->waitingFor($this->person($request))->where('item_id', $item->id)->with('met', 'user')->orderBy('id')->get();
    }
}
