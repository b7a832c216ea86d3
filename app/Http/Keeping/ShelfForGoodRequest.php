<?php

declare(strict_types=1);

namespace App\Http\Keeping;

use App\Http\Shelf\ShelfRequest;
use Closure;

/** The name of a shelf that goes for good, typed by who wants it. */
final class ShelfForGoodRequest extends ShelfRequest
{
    protected const RIGHT = 'bringBack';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'max:250', function (string $field, mixed $name, Closure $fail): void {
            mb_strtolower(trim((string) $name)) === mb_strtolower(trim($this->shelf()->name)) || $fail(__('keeping.name_wrong'));
        }]];
    }
}
