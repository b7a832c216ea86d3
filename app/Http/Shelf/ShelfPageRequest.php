<?php

declare(strict_types=1);

namespace App\Http\Shelf;

use App\Making\Offered;
use App\View\Shelf\ShelfQuery;
use Illuminate\Validation\Rule;

/** Which items of a shelf are shown. */
final class ShelfPageRequest extends ShelfRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'find' => ['nullable', 'string', 'max:200'],
            'kind' => ['nullable', Rule::in(Offered::kinds())],
            'sort' => ['nullable', Rule::in(ShelfQuery::SORTS)],
            'pictures' => ['nullable', 'in:1'],
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
        ];
    }

    public function asked(): ShelfQuery
    {
        return new ShelfQuery(
            trim($this->string('find')->toString()),
            $this->string('kind')->toString(),
            $this->validated('sort') === 'title' ? 'title' : 'changed',
            $this->validated('pictures') === '1',
        );
    }
}
