<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Fields;

use App\Kinds\Dataset\DatasetRequest;
use App\Kinds\Dataset\DatasetView;
use Closure;
use Illuminate\Validation\Rule;
use MistyAttic\Core\Calculate\Data\Expression;
use MistyAttic\Core\Kinds\Dataset\DatasetRole;

/** A field of a dataset. */
final class FieldRequest extends DatasetRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'name' => ['required', 'string', 'max:100'],
            'type' => ['required', Rule::in(DatasetView::TYPES)],
            'choices' => ['nullable', 'string', 'max:4000', $this->notTooMany(...)],
            'expression' => ['nullable', 'string', 'max:'.Expression::LONGEST],
            'decimal' => ['nullable', Rule::in(['point', 'comma'])],
            'days' => ['nullable', Rule::in(['day', 'month'])],
            'sure' => ['nullable', 'boolean'],
        ];
    }

    /** @param Closure(string): mixed $fail */
    private function notTooMany(string $attribute, string $value, Closure $fail): void
    {
        $count = count(self::choices($value));
        $count <= DatasetRole::CHOICES
            || $fail((string) __('data.too_many_choices', ['most' => (string) DatasetRole::CHOICES, 'count' => (string) $count]));
    }

    /** @return list<string> the choices that lines name, each once */
    public static function choices(string $lines): array
    {
        return array_values(
            array_unique(array_filter(array_map(trim(...), explode("\n", $lines)), fn (string $choice): bool => $choice !== '')),
        );
    }
}
