<?php

declare(strict_types=1);

namespace App\Http\Making;

use App\Http\ItemRequest;

/** A file as the next version of an item. */
final class BringFileRequest extends ItemRequest
{
    use TakesFile;

    protected const RIGHT = 'bringFile';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['file' => $this->fileRules('required_without:kept'), 'tab' => ['nullable', 'string', 'max:24']];
    }
}
