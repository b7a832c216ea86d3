<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Http\ItemRequest;

/** One step of laying out a report: what is done to which part, and the settings of a widget. */
final class ReportStepRequest extends ItemRequest
{
    protected const RIGHT = 'write';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'base' => ['required', 'string', 'regex:/^[0-9a-f]{40}$/'],
            'do' => ['required', 'string', 'max:20'],
            'part' => ['nullable', 'string', 'max:24'],
            'page' => ['nullable', 'string', 'max:24'],
            'client' => ['required', 'string', 'max:40'],
            'title' => ['nullable', 'string', 'max:200'],
            'type' => ['nullable', 'string', 'max:20'],
            'text' => ['nullable', 'string', 'max:20000'],
            'chunk' => ['nullable', 'string', 'max:40'],
            'alt' => ['nullable', 'string', 'max:500'],
            'source' => ['nullable', 'string', 'max:100'],
            'measure' => ['nullable', 'string', 'max:20'],
            'of' => ['nullable', 'string', 'max:24'],
            'by' => ['nullable', 'max:24'],
            'step' => ['nullable', 'string', 'max:10'],
            'split' => ['nullable', 'string', 'max:24'],
            'filters' => ['nullable', 'array', 'max:6'],
            'filters.*.field' => ['nullable', 'string', 'max:24'],
            'filters.*.way' => ['nullable', 'string', 'max:10'],
            'filters.*.value' => ['nullable', 'string', 'max:100'],
            'order' => ['nullable', 'string', 'max:10'],
            'most' => ['nullable', 'integer', 'min:1', 'max:1000'],
            'digits' => ['nullable', 'integer', 'min:0', 'max:6'],
            'behind' => ['nullable', 'string', 'max:20'],
            'x' => ['nullable', 'integer'],
            'y' => ['nullable', 'integer'],
            'across' => ['nullable', 'integer'],
            'down' => ['nullable', 'integer'],
            'from' => ['nullable', 'date_format:Y-m-d'],
            'to' => ['nullable', 'date_format:Y-m-d'],
            'back' => ['nullable', 'string', 'regex:/^[0-9a-f]{40}$/'],
            'keeps' => ['nullable', 'boolean'],
        ];
    }
}
