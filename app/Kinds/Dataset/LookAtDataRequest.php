<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Http\Making\TakesFile;
use App\Http\Shelf\ShelfRequest;

/** What a dataset would be made of: a file, an item, or another tab of what was looked at. */
final class LookAtDataRequest extends ShelfRequest
{
    use TakesFile;

    protected const RIGHT = 'make';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'seal' => ['nullable', 'string', 'max:4000'],
            'tab' => ['nullable', 'integer', 'min:0', 'max:1000'],
            'file' => $this->fileRules('nullable', 'required_without_all:from,seal,kept'),
            'from' => ['nullable', 'string', 'max:60'],
            'version' => ['nullable', 'string', 'max:60'],
            'title' => ['nullable', 'string', 'max:'.config('attic.title')],
        ];
    }
}
