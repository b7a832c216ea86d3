<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A new item, empty or of a file. */
final class MakeItemRequest extends ShelfRequest
{
    use TakesFile;

    protected const RIGHT = 'make';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['kind' => ['nullable', 'in:document,spreadsheet,page,form,report'], 'title' => ['nullable', 'string', 'max:'.config('attic.title')], 'file' => $this->fileRules('nullable')];
    }
}
