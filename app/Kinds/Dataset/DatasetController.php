<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Http\Controller;
use App\Kinds\Dataset\Following\SealedSources;
use App\Kinds\Dataset\Following\TakeInData;
use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Shelf;
use App\Store\States;
use App\Words\Numbers;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Filling a dataset: a look at what a file, a tab or a form holds, then making it, or taking it in again. */
final class DatasetController extends Controller
{
    /** Records that take longer than a second or so to take in. */
    private const MANY = 20_000;

    public function __construct(private readonly SealedSources $seals, private readonly TakeInData $take) {}

    public function create(Request $request, Shelf $shelf, States $states): View
    {
        Gate::authorize('make', $shelf);

        return view('kinds.dataset.new', [
            'shelf' => $shelf,
            'items' => MayFill::from($this->person($request)),
            'tabs' => fn (Item $item): array => $item->kind === 'form'
                ? []
                : array_values(array_filter($states->tops($item->root), fn ($part) => $part->role === 'tab')),
        ]);
    }

    /** What would be taken in, with what each field seems to be. Nothing is made yet. */
    public function look(LookAtDataRequest $request, Shelf $shelf): View
    {
        $sent = $request->validated();
        [$seal, $source, $title] = $this->seals->sealed($request, $this->person($request), $sent);
        $seal['long'] = ($seal['long'] ?? false) || count($source->records) > self::MANY;

        $seen = new SeenFields($source);

        return view('kinds.dataset.look', [
            'shelf' => $shelf,
            'item' => null,
            'source' => $source,
            'types' => $seen->types,
            'ways' => $seen->ways,
            'readers' => $this->seals->readers($shelf, $seal),
            'tab' => isset($seal['item']) ? 0 : (int) ($seal['tab'] ?? 0),
            'seal' => encrypt($seal),
            'title' => trim((string) ($sent['title'] ?? '')) ?: $title,
        ]);
    }

    public function store(MakeDatasetRequest $request, Shelf $shelf, MakeItem $make, DatasetColumns $columns): RedirectResponse
    {
        $sent = $request->validated();
        $title = trim((string) ($sent['title'] ?? '')) ?: (string) __('item.untitled.dataset');
        if (! isset($sent['seal'])) {
            return redirect()->route('item', $make->handle($shelf, $this->person($request), 'dataset', $title));
        }
        [$source, $seal] = $this->seals->opened($this->person($request), $sent['seal']);
        $item = $this->take->make($shelf, $this->person($request), $title, $source, SeenFields::said($source, $sent), bound: isset($seal['item']));
        if (isset($seal['item'])) {
            $from = $this->seals->from($this->person($request), $seal['item']);
            $this->take->bind($item, $from, $seal['tab'], $seal['version'] === null ? null : $this->version($from, $seal['version']));
        }

        // Its columns are made now, and not when it is looked at for the first time.
        $columns->records($item->root);

        return redirect()
            ->route('item', $item)
            ->with('said', trans_choice('data.taken', count($source->records), ['count' => Numbers::said(count($source->records))]));
    }
}
