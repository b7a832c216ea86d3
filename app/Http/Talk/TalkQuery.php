<?php

declare(strict_types=1);

namespace App\Http\Talk;

use App\Http\ItemRequest;

/** Which threads are asked for, and as they stood when. */
final class TalkQuery extends ItemRequest
{
    protected const RIGHT = 'talk';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'show' => ['nullable', 'in:open,settled,waiting,all'],
            'by' => ['nullable', 'integer', 'min:1'],
            'at' => ['nullable', 'integer', 'min:1'],
            'since' => ['nullable', 'integer', 'min:1'],
            'piece' => ['sometimes', 'boolean'],
            'thread' => ['nullable', 'string', 'regex:/^[a-z0-9]{12}$/'],
            'part' => ['nullable', 'string', 'max:24', 'regex:/^[A-Za-z0-9_-]*$/'],
            'field' => ['nullable', 'string', 'max:24', 'regex:/^[A-Za-z0-9_-]*$/'],
            'version' => ['nullable', 'integer', 'min:1'],
            'parts' => ['nullable', 'string', 'max:12000', 'regex:~^[A-Za-z0-9_/,-]*$~'],
        ];
    }

    /** @return array{show?: string|null, by?: int|string|null, at?: int|string|null, since?: int|string|null, part?: string|null, field?: string|null, version?: int|string|null, thread?: string|null, also?: list<string>} */
    public function asked(): array
    {
        $sent = $this->validated();
        // Of several that were chosen, the first is where the thread lies.
        $parts = array_values(array_filter(explode(',', (string) ($sent['parts'] ?? ''))));
        if ($parts !== []) {
            [$sent['part'], $sent['field']] = [...explode('/', $parts[0]), ''];
            $sent['also'] = array_slice($parts, 1, 200);
        }
        unset($sent['parts']);

        return $sent;
    }
}
