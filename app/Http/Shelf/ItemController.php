<?php

declare(strict_types=1);

namespace App\Http\Shelf;

use App\Http\Controller;
use App\Models\Item;
use App\Saving\RenameItem;
use App\Store\States;
use App\View\Desks\Desk;
use App\View\Desks\Foot;
use App\View\Talk\Talk;
use App\View\Talk\TalkPage;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** The page on which an item is written, what can be done with it, and its name. */
final class ItemController extends Controller
{
    /** Bytes of content that come with the page; what is larger is asked for by it. */
    private const WITH_THE_PAGE = 4_194_304;

    public function show(ShowItemRequest $request, Item $item, States $states, Foot $foot): View|RedirectResponse
    {
        $desk = $item->room(Desk::class);
        $person = $this->person($request);
        if ($item->sight !== null) {
            return $desk->read($item, $person);
        }
        $slips = Gate::allows('talk', $item) ? TalkPage::seen($item, new Talk($item), true) : null;
        $around = fn (bool $withFoot): array => [...($withFoot ? $foot->of($item) : []), 'slips' => $slips];
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
            'held' => Foot::held($item, $person),
        ]);
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
        $rename->handle($item, $this->person($request), $request->title());

        return $request->expectsJson() ? response()->json(['title' => $item->title]) : redirect()->route('item', $item);
    }
}
