<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Fields;

use App\Kinds\Dataset\DatasetRequest;
use MistyAttic\Core\Kinds\Cell;

/** A record of a dataset, by its fields. */
final class RecordRequest extends DatasetRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'values' => ['nullable', 'array', 'max:500'],
            'values.*' => ['nullable', 'string', 'max:'.Cell::MOST],
            'at' => ['nullable', 'integer', 'min:0'],
        ];
    }
}
