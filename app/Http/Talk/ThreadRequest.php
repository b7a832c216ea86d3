<?php

declare(strict_types=1);

namespace App\Http\Talk;

use App\Http\ItemRequest;
use App\Talk\About;
use App\Talk\Spot;

/** The beginning of a thread: what it is about, and what is said. */
final class ThreadRequest extends ItemRequest
{
    protected const RIGHT = 'comment';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $id = ['nullable', 'string', 'max:24', 'regex:/^[A-Za-z0-9_-]*$/'];

        return [
            'text' => ['required', 'string', 'max:'.config('attic.comment')],
            'part' => $id,
            'field' => $id,
            'version' => ['nullable', 'integer', 'min:1', 'max:'.$this->item()->head],
            'also' => ['sometimes', 'array', 'max:200'],
            'also.*' => ['string', 'max:60', 'regex:~^[A-Za-z0-9_-]+(/[A-Za-z0-9_-]+)?$~'],
            'from' => ['nullable', 'integer', 'min:0', 'max:1000000'],
            'to' => ['nullable', 'integer', 'min:0', 'max:1000000', 'gte:from'],
            'quote' => ['nullable', 'string', 'max:20000'],
            'across' => ['nullable', 'required_with:down', 'numeric', 'between:0,100'],
            'down' => ['nullable', 'required_with:across', 'numeric', 'between:0,100'],
        ];
    }

    public function about(): About
    {
        $sent = $this->validated();
        $hasWords = isset($sent['from'], $sent['to'], $sent['quote']) && $sent['quote'] !== '';

        return new About(
            (string) ($sent['part'] ?? ''),
            (string) ($sent['field'] ?? ''),
            array_values($sent['also'] ?? []),
            isset($sent['version']) ? (int) $sent['version'] : null,
            $hasWords ? [(int) $sent['from'], (int) $sent['to'], (string) $sent['quote']] : null,
            isset($sent['across'], $sent['down']) ? new Spot(round((float) $sent['across'], 1), round((float) $sent['down'], 1)) : null,
        );
    }
}
