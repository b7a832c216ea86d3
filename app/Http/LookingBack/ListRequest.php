<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\ItemRequest;
use App\View\Versions\ListQuery;
use Carbon\CarbonImmutable;
use Illuminate\Validation\Rule;

/** Which versions are listed. */
final class ListRequest extends ItemRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'only' => ['nullable', Rule::in(ListQuery::ONLY)],
            'by' => ['nullable', 'integer', 'min:0', 'max:999999999'],
            'from' => ['nullable', 'date_format:Y-m-d'],
            'until' => ['nullable', 'date_format:Y-m-d'],
            'words' => ['nullable', 'string', 'max:200'],
            'fold' => ['nullable', 'in:1'],
        ];
    }

    public function asked(): ListQuery
    {
        $day = fn (string $name): ?CarbonImmutable => is_string($sent = $this->validated($name))
            ? CarbonImmutable::parse($sent, 'UTC')
            : null;

        $only = (string) $this->validated('only');
        // What drafts were restored, noted or worth a look is not for readers.
        $only = $this->item()->sight === null || in_array($only, ['milestones', 'published'], true) ? $only : '';

        return new ListQuery(
            $only,
            (int) $this->validated('by'),
            $day('from'),
            $day('until'),
            trim((string) $this->validated('words')),
            $this->validated('fold') === '1',
        );
    }
}
