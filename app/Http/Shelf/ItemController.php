<?php

declare(strict_types=1);

namespace App\Http\Shelf;

use App\Http\Controller;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Version;
use App\Saving\RenameItem;
use App\Store\States;
use App\View\Desks\Desk;
use App\View\Phrases;
use App\View\Talk\Talk;
use App\View\Talk\TalkPage;
use App\View\Versions\RibbonData;
use App\View\Versions\SuggestedName;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final class ItemController extends Controller
{
    private const FOOT_VERSIONS = 48;

    /** Bytes of content that come with the page; what is larger is asked for by it. */
    private const WITH_THE_PAGE = 4_194_304;

    public function show(ShowItemRequest $request, Item $item, States $states, Phrases $phrases, RibbonData $ribbon): View|RedirectResponse
    {
        $desk = $item->room(Desk::class);
        $person = $this->person($request);
        if ($item->sight !== null) {
            return $desk->read($item, $person);
        }
        $around = fn (bool $foot): array => [...($foot ? $this->atFoot($item, $phrases, $ribbon) : []), 'slips' => Gate::allows('talk', $item) ? TalkPage::seen($item, new Talk($item), true) : null];
        $page = $desk->page($item, $person, $request->validated(), $around);
        if ($page !== null) {
            return $page;
        }
        $parts = $states->json($item->root);

        /** @var view-string $writing */
        $writing = $desk::VIEW;

        return view($writing, [
            'item' => $item,
            'desk' => $desk,
            ...$desk->of($item, $person, $this->text($request, 'page')),
            ...$around(true),
            'parts' => strlen($parts) > self::WITH_THE_PAGE ? null : $parts,
            'at' => $this->text($request, 'at'),
            'held' => $this->held($request, $item),
        ]);
    }

    /** The foot of the sheet again: save line, last sentence, small ribbon. */
    public function foot(Item $item, Phrases $phrases, RibbonData $ribbon): View
    {
        Gate::authorize('draft', $item);

        return view('write.foot', ['item' => $item, ...$this->atFoot($item, $phrases, $ribbon)]);
    }

    /** @return array{newest: Version, sentence: string, suggested: string|null, ribbon: array<string, mixed>} */
    private function atFoot(Item $item, Phrases $phrases, RibbonData $ribbon): array
    {
        $newest = $this->newest($item);

        return ['newest' => $newest, 'sentence' => $phrases->version($newest), 'suggested' => SuggestedName::for($newest, $phrases), 'ribbon' => $ribbon->of($item, self::FOOT_VERSIONS)];
    }

    /** The notes beside the sheet again: what is held back. */
    public function notes(Request $request, Item $item): View
    {
        Gate::authorize('draft', $item);

        return view('write.notes', ['item' => $item, 'held' => $this->held($request, $item)]);
    }

    /** What can be done with it: as a page, or what a menu on a shelf holds. */
    public function menu(Request $request, Item $item): View
    {
        Gate::authorize('view', $item);
        abort_if($item->form_id !== null, 404);
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
