<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Fields;

use App\Kinds\Dataset\DatasetView;
use App\Making\MakeItem;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Calculate\Data\Records;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Dataset\DatasetEdit;
use MistyAttic\Core\Kinds\Dataset\FieldNames;
use MistyAttic\Core\Kinds\Dataset\FieldType;

/** A field as somebody wants it: one of its own, or one that is calculated. */
final readonly class SentField
{
    private string $id;

    /** The field as it is; null for a new one. */
    public ?Part $was;

    /** What it holds then. */
    public FieldType $type;

    /** @var list<mixed> what it holds now, when it is made another type */
    public array $values;

    private string $expression;

    private Part $part;

    /**
     * @param  string  $field  the id, or `new`
     * @param  array<string, mixed>  $sent  see {@see FieldRequest::rules}
     *
     * @throws ValidationException when its name is taken
     */
    public function __construct(private PartTree $tree, string $field, array $sent)
    {
        $names = FieldNames::of($tree);
        abort_unless($field === 'new' || isset($names[$field]), 404);
        $this->id = $field === 'new' ? MakeItem::partId() : $field;
        $this->was = $tree->find($this->id);
        $name = trim($sent['name']);
        $taken = array_map(mb_strtolower(...), array_diff_key($names, [$this->id => true]));
        in_array(mb_strtolower($name), $taken, true)
            && throw ValidationException::withMessages(['name' => __('data.name_taken', ['name' => $name])]);
        $this->expression = FieldNames::stored(trim((string) ($sent['expression'] ?? '')), array_replace($names, [$this->id => $name]));
        $isRetyped = $this->was !== null && $this->expression === '' && $this->was->string('type') !== $sent['type'];
        $this->values = $isRetyped ? $this->held() : [];
        $this->type = $this->was === null || $isRetyped
            ? (new FieldType('text'))->asked($sent['type'], $this->values, $sent['decimal'] ?? null, $sent['days'] ?? null)
            : FieldType::of($this->was);
        $choices = $sent['type'] === 'choice' ? FieldRequest::choices((string) ($sent['choices'] ?? '')) : [];
        $this->part = new Part($this->id, 'field', 0, [
            'name' => $name,
            ...$this->type->fields(),
            ...($choices === [] ? [] : ['choices' => $choices]),
            ...($this->expression === '' ? [] : ['expression' => $this->expression]),
        ]);
    }

    /** @return list<mixed> */
    private function held(): array
    {
        $values = array_map(
            fn (Part $part): mixed => $part->role === 'record' ? $part->fields[$this->id] ?? null : null,
            $this->tree->parts,
        );

        return array_values(array_filter($values, fn (mixed $value): bool => $value !== null));
    }

    /**
     * The dataset with it.
     *
     * @throws ValidationException when it can't be calculated
     */
    public function tree(): PartTree
    {
        $after = DatasetEdit::withField($this->tree, $this->part);
        if ($this->expression !== '') {
            $fields = array_values(array_filter($after->parts, fn (Part $part): bool => $part->role === 'field'));
            $problems = Records::of(PartTree::of($fields))->problems($this->id);
            $problems === []
                || throw ValidationException::withMessages(['expression' => DatasetView::said($problems[0], FieldNames::of($after))]);
        }

        return $after;
    }
}
