<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Fields;

use App\Http\Controller;
use App\Kinds\Dataset\DatasetView;
use App\Kinds\Dataset\ReadingWays;
use App\Kinds\Dataset\SavesData;
use App\Models\Item;
use App\Store\States;
use App\View\OtherItems;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;
use MistyAttic\Core\Kinds\Dataset\FieldNames;

/** The fields of a dataset: adding and changing them. */
final class FieldController extends Controller
{
    use SavesData;

    public function __construct(private readonly States $states, private readonly HangsOnField $hangs) {}

    /** The settings of a field, or of a new one for `new`. */
    public function show(Item $item, string $field, OtherItems $others): View
    {
        Gate::authorize('write', $item);
        abort_unless($item->kind === 'dataset', 404);
        $tree = $this->states->tree($item->root);
        $found = $tree->find($field);
        abort_unless($field === 'new' || $found?->role === 'field', 404);
        // Of what it follows, a field keeps its name, and one that is new is calculated.
        $isTheirs = $item->follows() && $found !== null && $found->string('expression') === '';

        return view('kinds.dataset.field', [
            'item' => $item,
            'id' => $found->id ?? 'new',
            'field' => $found,
            'isTheirs' => $isTheirs,
            'source' => $isTheirs && $others->tellsOf($item->source) ? $item->source : null,
            'isTyped' => ! ($isTheirs && $item->source?->kind === 'form'),
            'names' => FieldNames::of($tree),
            'expression'
                => old('expression') ?? ($found === null ? '' : (new DatasetKind)->written($tree, $found, $found->string('expression'))),
        ]);
    }

    /** A field, one of its own or a calculated one: what it is called, what it holds, or by which expression. */
    public function update(FieldRequest $request, Item $item, string $field): RedirectResponse|View
    {
        $base = $request->base();
        $sent = new SentField($this->states->tree($base), $field, $request->validated());
        if ($sent->was !== null && $sent->values !== [] && ! $request->boolean('sure')) {
            return $this->retyping($request, $item, $sent->was, $sent);
        }

        return $this->saved($item, $request, $base, $sent->tree());
    }

    /** What becomes of the values of a field, and what hangs on it, before it is made another type. */
    private function retyping(FieldRequest $request, Item $item, Part $was, SentField $sent): View
    {
        $type = $sent->type;
        $misfits = array_filter($sent->values, fn (mixed $value): bool => ! $type->holds($type->value($value)));

        return view('kinds.dataset.retype', [
            'item' => $item,
            'field' => $was,
            'type' => $type,
            'sent' => $request->only('base', 'name', 'type', 'choices'),
            'values' => count($sent->values),
            'left' => $type->misfits($sent->values),
            'kept' => array_map(DatasetView::cell(...), array_slice(array_values($misfits), 0, 5)),
            'ways' => $type->isNumber() || $type->type === 'date' ? new ReadingWays($sent->values, $type) : null,
            ...$this->hangs->of($item, $was->id, $this->person($request)),
        ]);
    }
}
