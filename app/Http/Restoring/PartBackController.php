<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Version;
use App\Restoring\PutPartBack;
use App\Restoring\RestoreVersion;
use App\Store\States;
use App\View\ColumnsOf;
use App\View\Past;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;

/** Brings a part back, with what is below it, as a version left it. */
final class PartBackController extends Controller
{
    public function __construct(private readonly States $states, private readonly PutPartBack $put) {}

    public function store(BringBackRequest $request, Item $item, string $part, int $number, RestoreVersion $restore): RedirectResponse
    {
        $sent = $request->validated();
        [$version, $person, $seen] = [$this->version($item, $number), $this->person($request), (int) $sent['seen']];
        $tree = $this->states->tree($version->root);
        abort_unless($tree->has($part), 404);
        $kind = Kinds::named($item->kind);
        $column = $kind->beside() === null ? null : PutPartBack::columnGone($kind, $this->states->tree($item->root), $tree, $part);
        $into = $sent['into'] ?? null;
        if ($column !== null && $into === null) {
            return redirect()->route('part.where', [$item, $part, $number]);
        }
        if ($column !== null && $into !== $column) {
            $back = $this->put->handle($item, $version, $person, $seen, $part, (string) $into);

            return $back === null
                ? redirect()->route('part.where', [$item, $part, $number])->withErrors(['into' => __('history.place.gone')])
                : $this->landed($item, $back, $number);
        }
        $keys = $item->room(Past::class)->back($tree, fn (): PartTree => $this->states->tree($item->root), $part);
        $kind->beside() === null || $keys[] = "moved:{$part}";
        $back = $restore->handle($item, $version, $person, $seen, picked: $keys);
        if ($back === null) {
            return redirect()
                ->route('part', [$item, $part])
                ->withErrors(['seen' => __($item->head === $seen ? 'history.part.same' : 'history.moved_on')]);
        }

        return $this->landed($item, $back, $number);
    }

    /** Asks where a block goes whose column is gone. */
    public function where(Item $item, string $part, int $number): View
    {
        Gate::authorize('restore', $item);
        $version = $this->version($item, $number);
        [$then, $now] = [$this->states->tree($version->root), $this->states->tree($item->root)];
        $kind = Kinds::named($item->kind);
        $column = $then->has($part) ? PutPartBack::columnGone($kind, $now, $then, $part) : null;
        abort_if($column === null, 404);
        $section = $then->parent($column);

        return view('place', [
            'item' => $item,
            'part' => $part,
            'version' => $version,
            'own' => $column,
            'places' => new ColumnsOf($kind, $now),
            'name' => $kind->label($then, $then->get($part)),
            'ownSection' => $section === PartTree::ROOT ? '' : $kind->label($then, $then->get($section)),
        ]);
    }

    private function landed(Item $item, Version $back, int $number): RedirectResponse
    {
        $said = __($item->live === null ? 'item.part_back' : 'item.part_back_draft', [
            'source' => (string) $number, 'number' => (string) $back->number, 'live' => (string) $item->live?->version->number,
        ]);

        return $this->waiting($item, $back)
            ?? redirect()->route('history', ['item' => $item, 'from' => $back->number - 1, 'to' => $back->number])->with('said', $said);
    }
}
