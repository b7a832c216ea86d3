<?php

declare(strict_types=1);

namespace App\Http\Making;

use App\Http\Shelf\ShelfRequest;
use App\Making\Offered;
use Illuminate\Validation\Rule;

/** A new item, empty or of a file. */
final class MakeItemRequest extends ShelfRequest
{
    use TakesFile;

    protected const RIGHT = 'make';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'kind' => ['nullable', Rule::in(array_keys(Offered::pages($this->shelf()), null, true))],
            'title' => ['nullable', 'string', 'max:'.config('attic.title')],
            'file' => $this->fileRules('nullable'),
        ];
    }
}
