<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Fields;

use App\Http\Controller;
use App\Kinds\Dataset\DatasetRequest;
use App\Kinds\Dataset\SavesData;
use App\Models\Item;
use App\Store\States;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Dataset\DatasetEdit;

/** Removing a field of a dataset, once it was said what hangs on it. */
final class RemoveFieldController extends Controller
{
    use SavesData;

    public function __construct(private readonly States $states, private readonly HangsOnField $hangs) {}

    public function show(Request $request, Item $item, string $field): View
    {
        Gate::authorize('write', $item);
        $tree = $this->states->tree($item->root);
        abort_unless($item->kind === 'dataset' && $tree->find($field)?->role === 'field', 404);
        $holding = array_filter($tree->parts, fn (Part $part): bool => $part->role === 'record' && isset($part->fields[$field]));

        return view('kinds.dataset.remove', [
            'item' => $item,
            'field' => $tree->get($field),
            'values' => count($holding),
            ...$this->hangs->of($item, $field, $this->person($request)),
        ]);
    }

    public function destroy(DatasetRequest $request, Item $item, string $field): RedirectResponse
    {
        $tree = $this->states->tree($base = $request->base());
        abort_unless($tree->find($field)?->role === 'field', 404);

        return $this->saved($item, $request, $base, DatasetEdit::withoutField($tree, $field));
    }
}
