<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Http\ItemRequest;
use App\Models\User;
use App\Restoring\SomebodysEdits;

/** Edits that are taken out: by whom, between which versions, and of which tab. */
final class TakeOutRequest extends ItemRequest
{
    protected const RIGHT = 'restore';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'from' => ['required', 'integer', 'min:0'],
            'to' => ['required', 'integer', 'min:1'],
            'by' => ['required', 'integer'],
            'tab' => ['nullable', 'string', 'max:24'],
            'seen' => [$this->isMethod('post') ? 'required' : 'nullable', 'integer', 'min:1'],
            'lines' => ['sometimes', 'integer', 'min:1'],
            'pick' => ['required_with:lines', 'array', 'min:1'],
            'pick.*' => ['integer', 'min:0'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['pick' => (string) __('history.nothing_ticked')];
    }

    /** @return SomebodysEdits of somebody who wrote in it */
    public function edits(): SomebodysEdits
    {
        [$item, $sent] = [$this->item(), $this->validated()];
        $author = User::query()->find((int) $sent['by']);
        abort_if($author === null || $item->versions()->where('user_id', $author->id)->doesntExist(), 404);
        [$from, $to] = [(int) $sent['from'], (int) $sent['to']];

        return new SomebodysEdits($author, min($from, $to), max($from, $to), $item->hasTabs() ? $sent['tab'] ?? null : null);
    }

    /** @return int the number of the version that was newest when the plan was shown */
    public function seen(): int
    {
        return (int) $this->validated('seen');
    }
}
