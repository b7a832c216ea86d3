<?php

declare(strict_types=1);

namespace App\Http\Keeping;

use App\Http\ItemRequest;
use App\Models\Shelf;
use Illuminate\Support\Facades\Gate;

/** Where something from Lost & found goes back to: where it was, or another shelf that one may make things on. */
final class BringBackItemRequest extends ItemRequest
{
    protected const RIGHT = 'bringBack';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['shelf' => ['nullable', 'string', 'max:20']];
    }

    /** Null for where it was. */
    public function shelf(): ?Shelf
    {
        $key = $this->string('shelf')->toString();
        $shelf = $key === '' ? null : Shelf::query()->where('key', $key)->firstOrFail();
        Gate::authorize('make', $shelf ?? $this->item()->shelf);

        return $shelf;
    }
}
