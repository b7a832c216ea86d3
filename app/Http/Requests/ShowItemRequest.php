<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** An item to be shown; of a dataset, the page of it, how it is sorted, and what is looked for. */
final class ShowItemRequest extends ItemRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return $this->item()->kind !== 'dataset' ? [] : ['sort' => ['nullable', 'string', 'max:24'], 'down' => ['nullable', 'boolean'], 'find' => ['nullable', 'string', 'max:200'], 'unread' => ['nullable', 'string', 'max:24'], 'page' => ['nullable', 'integer', 'min:1', 'max:100000']];
    }
}
