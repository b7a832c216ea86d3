<?php

declare(strict_types=1);

namespace App\Http\Finding;

use App\Making\Offered;
use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\View\Finding\Within;
use Carbon\CarbonImmutable;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What somebody looks for, and where. */
final class FindRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'q' => ['nullable', 'string', 'max:200'],
            'item' => ['nullable', 'string', 'max:20'],
            'shelf' => ['nullable', 'string', 'max:20'],
            'state' => ['nullable', Rule::in(['any', 'gone', 'there'])],
            'kind' => ['nullable', Rule::in(array_keys(Offered::all()))],
            'by' => ['nullable', 'integer', 'min:1'],
            'since' => ['nullable', 'date_format:Y-m-d'],
            'until' => ['nullable', 'date_format:Y-m-d'],
            'one' => ['nullable', 'integer', 'min:1'],
            'page' => ['nullable', 'integer', 'min:1', 'max:1000'],
        ];
    }

    public function within(User $person, Item|Shelf|null $in): Within
    {
        $day = fn (string $name): ?CarbonImmutable => $this->filled($name) ? CarbonImmutable::parse($this->string($name)->toString()) : null;

        return new Within(
            $person,
            $in,
            $this->string('state')->toString() ?: 'any',
            $this->string('kind')->toString(),
            $this->integer('by'),
            $day('since'),
            $day('until'),
        );
    }
}
