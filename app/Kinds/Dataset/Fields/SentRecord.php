<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Fields;

use App\Kinds\Dataset\DatasetView;
use App\Store\Excerpt;
use App\Store\States;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Dataset\DatasetEdit;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;

/** The fields of a dataset in a state of it, and one of its records, found without reading them all. */
final readonly class SentRecord
{
    /** @var list<Part> */
    public array $fields;

    /** Where the record is among all parts; null where there is none yet. */
    public ?int $at;

    /** The record as it is; null for a new one. */
    public ?Part $held;

    /**
     * @param  string  $record  the id, or `new`
     * @param  mixed  $said  where it is said to be; it is looked for when it is not there
     * @param  bool  $whole  whether what is said counts the fields as well
     */
    public function __construct(States $states, string $root, string $record, mixed $said, bool $whole = false)
    {
        $this->fields = Excerpt::columns($states, (new DatasetKind)->grid(), $root);
        $this->at = $this->position($states, $root, $record, $said, $whole);
        $this->held = $this->at === null ? null : $states->part($root, $this->at);
        abort_unless($record === 'new' || $this->held !== null, 404);
    }

    private function position(States $states, string $root, string $record, mixed $said, bool $whole): ?int
    {
        if ($record === 'new') {
            return null;
        }
        $isPlace = (is_int($said) || is_string($said)) && preg_match('/^\d{1,9}$/D', (string) $said) === 1;
        $at = $isPlace ? (int) $said + ($whole ? 0 : count($this->fields)) : null;
        if ($at !== null && $states->part($root, $at)?->id === $record) {
            return $at;
        }
        $tree = $states->tree($root);

        return $tree->find($record)?->role === 'record' ? $tree->position($record) : null;
    }

    /** @return list<Part> those that are written in, not calculated */
    public function written(): array
    {
        return array_values(array_filter($this->fields, fn (Part $field): bool => $field->string('expression') === ''));
    }

    /**
     * Only what was changed.
     *
     * @param  array<string, string|null>  $sent  by field
     * @return array<string, mixed> by field
     *
     * @throws ValidationException when one is none that its field holds
     */
    public function values(array $sent): array
    {
        $values = [];
        foreach ($this->written() as $field) {
            $text = trim(str_replace(["\r\n", "\r"], "\n", (string) ($sent[$field->id] ?? '')));
            if (! array_key_exists($field->id, $sent) || trim(DatasetView::cell($this->held->fields[$field->id] ?? null)) === $text) {
                continue;
            }
            [$values[$field->id], $fits] = DatasetEdit::typed($field, $text);
            if (! $fits) {
                $type = (string) __("data.types.{$field->string('type')}");
                throw ValidationException::withMessages([
                    "values.{$field->id}" => __('data.no_value', ['name' => $field->string('name'), 'type' => $type]),
                ]);
            }
        }

        return $values;
    }
}
