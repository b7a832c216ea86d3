<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Http\Shelf\ShelfRequest;
use Illuminate\Validation\Rule;

/** A dataset of what was looked at, or an empty one. */
final class MakeDatasetRequest extends ShelfRequest
{
    protected const RIGHT = 'make';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'seal' => ['nullable', 'string', 'max:4000'],
            'title' => ['nullable', 'string', 'max:'.config('attic.title')],
            'types' => ['nullable', 'array', 'max:500'],
            'types.*' => [Rule::in(DatasetView::TYPES)],
            'decimals' => ['nullable', 'array', 'max:500'],
            'decimals.*' => [Rule::in(['point', 'comma'])],
            'days' => ['nullable', 'array', 'max:500'],
            'days.*' => [Rule::in(['day', 'month'])],
        ];
    }
}
