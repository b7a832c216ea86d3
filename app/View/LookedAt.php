<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\User;
use App\Words\Days;
use MistyAttic\Core\Kinds\Kind;

/** What of a history somebody looks at. */
final readonly class LookedAt
{
    public function __construct(
        public Item $item,
        public User $person,
        public Kind $kind,
        public Comparison $comparison,
        public HistoryAddress $address,
    ) {}

    public function by(HistoryAddress $address): self
    {
        return new self($this->item, $this->person, $this->kind, $this->comparison, $address);
    }

    public function asItWas(): bool
    {
        return $this->address->view === 'was';
    }

    /** Since when and until when readers saw the version that is looked at, in words. */
    public function wasLive(): ?string
    {
        $publishing = $this->item
            ->publishings()
            ->whereNotNull('count')
            ->whereRelation('version', 'number', $this->address->from)
            ->orderByDesc('count')
            ->first();

        return $publishing?->decided_at === null
            ? null
            : (string) __($publishing->ended_at === null ? 'publishing.live_since' : 'publishing.live_until', [
                'since' => Days::short($publishing->decided_at),
                'until' => $publishing->ended_at === null ? '' : Days::short($publishing->ended_at),
            ]);
    }
}
