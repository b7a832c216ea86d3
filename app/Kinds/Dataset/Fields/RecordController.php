<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Fields;

use App\Http\Controller;
use App\Kinds\Dataset\DatasetRequest;
use App\Kinds\Dataset\DatasetView;
use App\Kinds\Dataset\SavesData;
use App\Making\MakeItem;
use App\Models\Item;
use App\Store\States;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Dataset\DatasetEdit;

/** The records of a dataset: adding, changing and removing them. */
final class RecordController extends Controller
{
    use SavesData;

    public function __construct(private readonly States $states) {}

    /** A record, or a new one for `new`. */
    public function edit(Request $request, Item $item, string $record): View
    {
        Gate::authorize('write', $item);
        abort_unless($item->kind === 'dataset' && ! $item->follows(), 404);
        $found = new SentRecord($this->states, $item->root, $record, $request->query('at'));
        $shown = fn (Part $field): mixed => $request->old("values.{$field->id}")
            ?? DatasetView::cell($found->held->fields[$field->id] ?? null);

        return view('kinds.dataset.record', [
            'item' => $item,
            'record' => $found->held,
            'at' => $found->at,
            'before' => count($found->fields),
            'fields' => array_map(fn (Part $field): array => [$field, $shown($field)], $found->written()),
        ]);
    }

    /** Of a record that is there only the values that were changed are sent on, so that a large dataset is not read for them. */
    public function update(RecordRequest $request, Item $item, string $record): RedirectResponse
    {
        $base = $request->base();
        $found = new SentRecord($this->states, $base, $record, $request->validated('at'), whole: true);
        $values = $found->values($request->validated('values') ?? []);
        if ($found->held === null) {
            $part = new Part(MakeItem::partId(), 'record', 0, array_filter($values, fn (mixed $value): bool => $value !== null));

            return $this->saved($item, $request, $base, DatasetEdit::withRecord($this->states->tree($base), $part));
        }
        $id = $found->held->id;

        return $this->saved($item, $request, $base, null, $values === [] ? [] : ['cells' => [$id => $values], 'at' => [$id => $found->at]]);
    }

    public function destroy(DatasetRequest $request, Item $item, string $record): RedirectResponse
    {
        $tree = $this->states->tree($base = $request->base());
        abort_unless($tree->find($record)?->role === 'record', 404);

        return $this->saved($item, $request, $base, DatasetEdit::withoutRecord($tree, $record));
    }
}
