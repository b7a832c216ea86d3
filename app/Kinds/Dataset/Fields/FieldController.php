<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Fields;

use App\Http\Controller;
use App\Kinds\Dataset\DatasetRequest;
use App\Kinds\Dataset\DatasetView;
use App\Kinds\Dataset\ReadingWays;
use App\Kinds\Dataset\SavesData;
use App\Making\MakeItem;
use App\Models\Item;
use App\Store\States;
use App\View\OtherItems;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Calculate\Data\Expression;
use MistyAttic\Core\Calculate\Data\Records;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Dataset\DatasetEdit;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;
use MistyAttic\Core\Kinds\Dataset\DatasetRole;
use MistyAttic\Core\Kinds\Dataset\FieldNames;
use MistyAttic\Core\Kinds\Dataset\FieldType;

/** The fields of a dataset: adding, changing and removing them. */
final class FieldController extends Controller
{
    use SavesData;

    /** Choices that a field has at most: see {@see DatasetRole::Field}. */
    private const CHOICES = 200;

    public function __construct(private readonly States $states, private readonly OtherItems $others) {}

    /** The settings of a field, or of a new one for `new`. */
    public function show(Item $item, string $field): View
    {
        Gate::authorize('write', $item);
        abort_unless($item->kind === 'dataset', 404);
        $tree = $this->states->tree($item->root);
        abort_unless($field === 'new' || $tree->find($field)?->role === 'field', 404);

        $found = $tree->find($field);
        // Of what it follows, a field keeps its name, and one that is new is calculated.
        $isTheirs = $item->follows() && $found !== null && $found->string('expression') === '';

        return view('kinds.dataset.field', [
            'item' => $item, 'id' => $found->id ?? 'new', 'field' => $found, 'isTheirs' => $isTheirs, 'source' => $isTheirs && $this->others->tellsOf($item->source) ? $item->source : null, 'isTyped' => ! ($isTheirs && $item->source?->kind === 'form'), 'names' => FieldNames::of($tree),
            'expression' => old('expression') ?? ($found === null ? '' : (new DatasetKind)->written($tree, $found, $found->string('expression'))),
        ]);
    }

    /** A field, one of its own or a calculated one; what it is called, what it holds, or by which expression. */
    public function update(FieldRequest $request, Item $item, string $field): RedirectResponse|View
    {
        $tree = $this->states->tree($base = $request->base());
        $sent = $request->validated();
        $names = FieldNames::of($tree);
        $id = $field === 'new' ? MakeItem::partId() : $field;
        abort_unless($field === 'new' || isset($names[$id]), 404);
        $name = trim($sent['name']);
        if (array_search(mb_strtolower($name), array_map(mb_strtolower(...), array_diff_key($names, [$id => true])), true) !== false) {
            throw ValidationException::withMessages(['name' => __('data.name_taken', ['name' => $name])]);
        }
        $expression = FieldNames::stored(trim((string) ($sent['expression'] ?? '')), array_replace($names, [$id => $name]));
        $choices = array_values(array_unique(array_filter(array_map(trim(...), explode("\n", (string) ($sent['choices'] ?? ''))), fn (string $choice) => $choice !== '')));
        if (count($choices) > self::CHOICES) {
            throw ValidationException::withMessages(['choices' => __('data.too_many_choices', ['most' => (string) self::CHOICES, 'count' => (string) count($choices)])]);
        }
        $was = $tree->find($id);
        $isTyped = $was !== null && $expression === '' && $was->string('type') !== $sent['type'];
        $values = $isTyped ? array_values(array_filter(array_map(fn (Part $record) => $record->role === 'record' ? $record->fields[$id] ?? null : null, $tree->parts), fn (mixed $value) => $value !== null)) : [];
        $type = $was === null || $isTyped ? (new FieldType('text'))->asked($sent['type'], $values, $sent['decimal'] ?? null, $sent['days'] ?? null) : FieldType::of($was);
        $part = new Part($id, 'field', 0, ['name' => $name, ...$type->fields(), 'choices' => $choices, ...($expression === '' ? [] : ['expression' => $expression])]);
        $part = $sent['type'] === 'choice' && $choices !== [] ? $part : $part->without('choices');
        if ($values !== [] && ! ($sent['sure'] ?? false)) {
            return $this->retyping($request, $item, $tree->get($id), $type, $values);
        }
        $after = DatasetEdit::withField($tree, $part);
        if ($expression !== '') {
            $problems = Records::of(PartTree::of(array_values(array_filter($after->parts, fn (Part $other) => $other->role === 'field'))))->problems($id);
            if ($problems !== []) {
                throw ValidationException::withMessages(['expression' => DatasetView::said($problems[0], FieldNames::of($after))]);
            }
        }

        return $this->saved($item, $request, $base, $after);
    }

    /**
     * What becomes of the values of a field, and what hangs on it, before it is made another type.
     *
     * @param  list<mixed>  $values
     */
    private function retyping(Request $request, Item $item, Part $field, FieldType $type, array $values): View
    {
        return view('kinds.dataset.retype', [
            'item' => $item, 'field' => $field, 'type' => $type, 'sent' => $request->only('base', 'name', 'type', 'choices'), 'values' => count($values), 'left' => $type->misfits($values),
            'kept' => array_map(DatasetView::cell(...), array_slice(array_values(array_filter($values, fn (mixed $value) => ! $type->holds($type->value($value)))), 0, 5)),
            'ways' => $type->isNumber() || $type->type === 'date' ? new ReadingWays($values, $type) : null, ...$this->hangsOn($request, $item, $field->id),
        ]);
    }

    /** @return array{calculated: list<Part>, widgets: list<array{report: Item, widget: Part, fields: list<string>}>} of a field */
    private function hangsOn(Request $request, Item $item, string $field): array
    {
        $calculated = DatasetEdit::calculatedFrom($this->states->tree($item->root), [$field]);
        $fields = [$field, ...array_column($calculated, 'id')];

        return ['calculated' => $calculated, 'widgets' => array_values(array_filter(DatasetView::hanging($item, $this->person($request), $this->states), fn (array $hanging) => array_intersect($fields, $hanging['fields']) !== []))];
    }

    /** What hangs on a field, before it is removed. */
    public function hanging(Request $request, Item $item, string $field): View
    {
        Gate::authorize('write', $item);
        $tree = $this->states->tree($item->root);
        abort_unless($item->kind === 'dataset' && $tree->find($field)?->role === 'field', 404);

        return view('kinds.dataset.remove', ['item' => $item, 'field' => $tree->get($field), ...$this->hangsOn($request, $item, $field), 'values' => count(array_filter($tree->parts, fn (Part $part) => $part->role === 'record' && isset($part->fields[$field])))]);
    }

    public function destroy(DatasetRequest $request, Item $item, string $field): RedirectResponse
    {
        $tree = $this->states->tree($base = $request->base());
        abort_unless($tree->find($field)?->role === 'field', 404);

        return $this->saved($item, $request, $base, DatasetEdit::withoutField($tree, $field));
    }
}
