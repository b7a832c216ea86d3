<?php

declare(strict_types=1);

namespace App\Http\Keeping;

use App\Http\ItemRequest;
use Closure;

/** The name of what goes for good, typed by who wants it. */
final class DeleteForGoodRequest extends ItemRequest
{
    protected const RIGHT = 'deleteForGood';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'max:250', function (string $field, mixed $name, Closure $fail): void {
            mb_strtolower(trim((string) $name)) === mb_strtolower(trim($this->item()->title)) || $fail(__('keeping.name_wrong'));
        }]];
    }
}
