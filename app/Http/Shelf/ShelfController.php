<?php

declare(strict_types=1);

namespace App\Http\Shelf;

use App\Http\Controller;
use App\Http\Making\MakeItemRequest;
use App\Http\ReceivedFile;
use App\Making\LeftOutWords;
use App\Making\MakeItem;
use App\Making\Making;
use App\Making\Offered;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Rooms;
use App\Models\Shelf;
use App\Proposing\BringTracked;
use App\View\Phrases;
use App\View\Shelf\ShelfView;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\Unreadable;

final class ShelfController extends Controller
{
    public function index(Request $request): RedirectResponse|View
    {
        $first = $this->person($request)->shelves()->first();

        return $first === null ? view('no-shelf') : redirect()->route('shelf', $first);
    }

    public function show(ShelfPageRequest $request, Shelf $shelf, Phrases $phrases): View
    {
        return view('shelf', [
            'shelf' => $shelf,
            'offered' => Offered::pages($shelf),
            'view' => new ShelfView($shelf, $this->person($request), $request->asked(), $phrases),
            'held' => HeldEdit::query()
                ->waitingFor($this->person($request))
                ->whereIn('item_id', Item::query()->standing()->where('shelf_id', $shelf->id)->select('id'))
                ->with('item', 'met', 'user')
                ->orderBy('id')
                ->get(),
        ]);
    }

    public function store(MakeItemRequest $request, Shelf $shelf, MakeItem $make, BringTracked $tracked): RedirectResponse|View
    {
        $sent = $request->validated();
        $kind = $sent['kind'] ?? Offered::kinds()[0];
        $file = ReceivedFile::of($request);
        $title = trim((string) ($sent['title'] ?? '')) ?: ($file?->title() ?? '');
        try {
            $content = $file === null ? null : Rooms::of($kind, Making::class)->read($kind, $file);
        } catch (Unreadable $e) {
            throw ValidationException::withMessages(['file' => __('item.file_unreadable', ['reason' => $e->getMessage()])]);
        }
        if ($file !== null && $content !== null && $content->left !== [] && ! $request->boolean('sure')) {
            return view('left-out', [...$file->again($request), 'left' => LeftOutWords::all($content->left)]);
        }
        $kind = $content?->kind->name() ?? $kind;
        $note = LeftOutWords::note($content->left ?? []);

        $besides = $content === null || ($content->tracked === [] && $content->said === []) ? null : $content;
        $item = $make->handle(
            $shelf,
            $this->person($request),
            $kind,
            $title === '' ? __("item.untitled.{$kind}") : $title,
            content: self::handedOver($content),
            keepIds: Rooms::of($kind, Making::class)::KEEPS_IDS || $besides?->hasIds === true,
            note: $note,
        );
        [$people] = $besides === null ? [0] : $tracked->handle($item, $this->person($request), $besides);

        return redirect()->route('item', $item)->with($people === 0 ? [] : ['said' => trans_choice('proposing.brought', $people)]);
    }

    /**
     * What a large file holds, and no longer held here: it takes as much memory as what is made of it.
     *
     * @param-out null $content
     */
    private static function handedOver(?Content &$content): ?Content
    {
        [$handed, $content] = [$content, null];

        return $handed;
    }
}
