<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Fields;

use App\Http\Controller;
use App\Kinds\Dataset\DatasetRequest;
use App\Kinds\Dataset\DatasetView;
use App\Kinds\Dataset\SavesData;
use App\Making\MakeItem;
use App\Models\Item;
use App\Saving\Sent;
use App\Store\Excerpt;
use App\Store\States;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Calculate\Data\Records;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Dataset\DatasetEdit;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;

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
        $fields = $this->fields($item->root);
        $at = $this->position($item->root, $record, count($fields), $request->query('at'));
        abort_unless($record === 'new' || $at !== null, 404);

        $held = $at === null ? null : $this->states->part($item->root, $at);
        $written = array_values(array_filter($fields, fn (Part $part) => $part->string('expression') === ''));

        return view('kinds.dataset.record', [
            'item' => $item, 'record' => $held, 'at' => $at, 'before' => count($fields),
            'fields' => array_map(fn (Part $part): array => [$part, $request->old("values.{$part->id}") ?? DatasetView::cell($held->fields[$part->id] ?? null)], $written),
        ]);
    }

    /** Of a record that is there only the values that were changed are sent on, so that a large dataset is not read for them. */
    public function update(RecordRequest $request, Item $item, string $record): RedirectResponse
    {
        $base = $request->base();
        $sent = $request->validated();
        $fields = $this->fields($base);
        $at = $this->position($base, $record, count($fields), $sent['at'] ?? null, whole: true);
        $before = $at === null ? null : $this->states->part($base, $at);
        abort_unless($record === 'new' || $before !== null, 404);
        $values = [];
        foreach ($fields as $field) {
            $text = trim(str_replace(["\r\n", "\r"], "\n", (string) ($sent['values'][$field->id] ?? '')));
            if ($field->string('expression') !== '' || ! array_key_exists($field->id, $sent['values'] ?? []) || trim(DatasetView::cell($before->fields[$field->id] ?? null)) === $text) {
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

    public function destroy(DatasetRequest $request, Item $item, string $record): RedirectResponse
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
     * Where a record is among all parts: where it is said to be, or where it is found.
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
}
