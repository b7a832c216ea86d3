<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Actions\MakeItem;
use App\Actions\Saved;
use App\Actions\SaveState;
use App\Actions\Sent;
use App\Http\Controllers\Controller;
use App\Models\Item;
use App\Store\Excerpt;
use App\Store\States;
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
use MistyAttic\Core\Kinds\Dataset\FieldNames;
use MistyAttic\Core\Kinds\Dataset\FieldType;

/** The fields and records of a dataset: adding, changing and removing them. What others changed since the page was opened is merged. */
final class RecordController extends Controller
{
    public function __construct(private readonly States $states, private readonly SaveState $save) {}

    /** The settings of a field, or of a new one for `new`. */
    public function show(Item $item, string $field): View
    {
        Gate::authorize('write', $item);
        abort_unless($item->kind === 'dataset', 404);
        $tree = $this->states->tree($item->root);
        abort_unless($field === 'new' || $tree->find($field)?->role === 'field', 404);

        return view('kinds.dataset.field', ['item' => $item, 'field' => $tree->find($field), 'kind' => new DatasetKind, 'tree' => $tree, 'names' => FieldNames::of($tree)]);
    }

    /** A field, one of its own or a calculated one; what it is called, what it holds, or by which expression. */
    public function field(FieldRequest $request, Item $item, string $field): RedirectResponse|View
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
        $was = $tree->find($id);
        $isTyped = $was !== null && $expression === '' && $was->string('type') !== $sent['type'];
        $values = $isTyped ? array_values(array_filter(array_map(fn (Part $record) => $record->role === 'record' ? $record->fields[$id] ?? null : null, $tree->parts), fn (mixed $value) => $value !== null)) : [];
        $type = $was === null || $isTyped ? (new FieldType('text'))->asked($sent['type'], $values, $sent['decimal'] ?? null) : FieldType::of($was);
        $part = new Part($id, 'field', 0, ['name' => $name, ...$type->fields(), 'choices' => array_slice($choices, 0, 200), ...($expression === '' ? [] : ['expression' => $expression])]);
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
            'ways' => $type->isNumber() ? new NumberWays($values, $type) : null, ...$this->hangsOn($request, $item, $field->id),
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

    public function removeField(DatasetRequest $request, Item $item, string $field): RedirectResponse
    {
        $tree = $this->states->tree($base = $request->base());
        abort_unless($tree->find($field)?->role === 'field', 404);

        return $this->saved($item, $request, $base, DatasetEdit::withoutField($tree, $field));
    }

    /** A record, or a new one for `new`. */
    public function edit(Request $request, Item $item, string $record): View
    {
        Gate::authorize('write', $item);
        abort_unless($item->kind === 'dataset' && ! $item->follows(), 404);
        $fields = $this->fields($item->root);
        $at = $this->position($item->root, $record, count($fields), $request->query('at'));
        abort_unless($record === 'new' || $at !== null, 404);

        return view('kinds.dataset.record', ['item' => $item, 'record' => $at === null ? null : $this->states->part($item->root, $at), 'at' => $at, 'before' => count($fields), 'fields' => array_values(array_filter($fields, fn (Part $part) => $part->string('expression') === ''))]);
    }

    /** Of a record that is there only the values that were changed are sent on, so that a large dataset is not read for them. */
    public function record(RecordRequest $request, Item $item, string $record): RedirectResponse
    {
        $base = $request->base();
        $sent = $request->validated();
        $fields = $this->fields($base);
        $at = $this->position($base, $record, count($fields), $sent['at'] ?? null, whole: true);
        $before = $at === null ? null : $this->states->part($base, $at);
        abort_unless($record === 'new' || $before !== null, 404);
        $values = [];
        foreach ($fields as $field) {
            $text = trim((string) ($sent['values'][$field->id] ?? ''));
            if ($field->string('expression') !== '' || ! array_key_exists($field->id, $sent['values'] ?? []) || DatasetView::cell($before->fields[$field->id] ?? null) === $text) {
                continue;
            }
            [$values[$field->id], $fits] = DatasetEdit::typed($field, $text);
            if (! $fits) {
                throw ValidationException::withMessages(["values.{$field->id}" => __('data.no_value', ['name' => $field->string('name'), 'type' => (string) __("data.types.{$field->string('type')}")])]);
            }
        }
        if ($before === null) {
            $part = new Part(MakeItem::partId(), 'record', 0, array_filter($values, fn (mixed $value) => $value !== null));

            return $this->saved($item, $request, $base, DatasetEdit::withRecord($this->states->tree($base), $part));
        }

        return $this->saved($item, $request, $base, null, $values === [] ? [] : ['cells' => [$before->id => $values], 'at' => [$before->id => $at]]);
    }

    public function removeRecord(DatasetRequest $request, Item $item, string $record): RedirectResponse
    {
        $tree = $this->states->tree($base = $request->base());
        abort_unless($tree->find($record)?->role === 'record', 404);

        return $this->saved($item, $request, $base, DatasetEdit::withoutRecord($tree, $record));
    }

    /** @return list<Part> */
    private function fields(string $root): array
    {
        return Excerpt::columns($this->states, (new DatasetKind)->grid(), $root);
    }

    /**
     * Where a record stands among all parts: where it is said to be, or where it is found.
     *
     * @param  bool  $whole  what is said counts the fields as well
     */
    private function position(string $root, string $record, int $fields, mixed $said, bool $whole = false): ?int
    {
        $at = (is_int($said) || is_string($said)) && preg_match('/^\d{1,9}$/D', (string) $said) === 1 ? (int) $said + ($whole ? 0 : $fields) : null;
        if ($record === 'new' || ($at !== null && $this->states->part($root, $at)?->id === $record)) {
            return $record === 'new' ? null : $at;
        }
        $tree = $this->states->tree($root);

        return $tree->find($record)?->role === 'record' ? $tree->position($record) : null;
    }

    /** @param array<string, mixed>|null $edits instead of a whole tree */
    private function saved(Item $item, Request $request, string $base, ?PartTree $tree, ?array $edits = null): RedirectResponse
    {
        $saved = $this->save->handle($item, $this->person($request), new Sent($base, $tree, 'data-'.$this->person($request)->id.'-'.$item->head, keep: true, edits: $edits));
        abort_unless($saved instanceof Saved, 422);

        if ($saved->held !== []) {
            return redirect()->route('held', [$item, $saved->held[0]]);
        }

        return redirect()->route('item', $item)->with('said', $saved->root === $base ? __('form.unchanged') : __('form.saved', ['number' => (string) $saved->version->number]));
    }
}
