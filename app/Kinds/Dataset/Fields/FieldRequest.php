<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Fields;

use App\Kinds\Dataset\DatasetRequest;
use App\Kinds\Dataset\DatasetView;
use Illuminate\Validation\Rule;
use MistyAttic\Core\Calculate\Data\Expression;

/** A field of a dataset. */
final class FieldRequest extends DatasetRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(), 'name' => ['required', 'string', 'max:100'], 'type' => ['required', Rule::in(DatasetView::TYPES)], 'choices' => ['nullable', 'string', 'max:4000'],
            'expression' => ['nullable', 'string', 'max:'.Expression::LONGEST], 'decimal' => ['nullable', Rule::in(['point', 'comma'])], 'days' => ['nullable', Rule::in(['day', 'month'])], 'sure' => ['nullable', 'boolean'],
        ];
    }
}
