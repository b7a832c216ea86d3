<?php

declare(strict_types=1);

namespace App\Http\Proposing;

use App\Http\ItemRequest;
use App\Models\Item;

/** What of the proposals is looked at: whose, the text with them or as it would be, and as they stood at which version. */
final class ProposalsRequest extends ItemRequest
{
    protected const RIGHT = 'talk';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'of' => ['nullable', 'regex:/^(\d{1,9}|everybody)$/'],
            'look' => ['nullable', 'in:with,would'],
            'at' => ['nullable', 'integer', 'min:1', 'max:999999999'],
        ];
    }

    /** The id of one of them, or 0. */
    public function of(): int
    {
        return (int) $this->validated('of');
    }

    public function isOfEverybody(): bool
    {
        return $this->validated('of') === 'everybody';
    }

    /** @return string `with` or `would` */
    public function look(): string
    {
        return $this->validated('look') ?? 'with';
    }

    /** The version at which they are looked at as they stood then; null for now. */
    public function at(Item $item): ?int
    {
        $at = $this->validated('at');

        return $at === null ? null : min((int) $at, $item->head);
    }
}
