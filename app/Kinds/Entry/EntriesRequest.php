<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Http\ItemRequest;
use App\Kinds\Form\EntryList;
use App\Store\States;

/** How the entries of a form are listed: sorted, found, and which questions are left out. */
final class EntriesRequest extends ItemRequest
{
    protected const RIGHT = 'entries';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'sort' => ['nullable', 'string', 'max:24'],
            'down' => ['nullable', 'boolean'],
            'find' => ['nullable', 'string', 'max:200'],
            'gone' => ['nullable', 'boolean'],
            'in' => ['nullable', 'string', 'max:24'],
            'without' => ['nullable', 'array', 'max:500'],
            'without.*' => ['string', 'max:24'],
            'with' => ['nullable', 'array', 'max:500'],
            'with.*' => ['string', 'max:24'],
        ];
    }

    public function list(States $states): EntryList
    {
        $sent = $this->validated();
        $item = $this->item();

        return new EntryList(
            $item,
            $states->tree($item->live->version->root ?? $item->root),
            $this->user() ?? abort(401),
            $sent['sort'] ?? 'number',
            (bool) ($sent['down'] ?? ! isset($sent['sort'])),
            trim((string) ($sent['find'] ?? '')),
            (bool) ($sent['gone'] ?? false),
            $sent['in'] ?? '',
            array_values($sent['without'] ?? []),
        );
    }
}
