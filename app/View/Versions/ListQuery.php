<?php

declare(strict_types=1);

namespace App\View\Versions;

use App\Models\Item;
use App\Models\PublishingState;
use App\Models\Sight;
use App\Models\Version;
use App\View\HistoryAddress;
use App\View\Phrases;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;

/**
 * Which versions of an item a list shows: those that are something, of somebody, from one day to another, in whose sentences some words
 * are.
 */
final readonly class ListQuery
{
    /** Versions whose sentences are looked through for words, the newest. */
    public const LOOKED_THROUGH = 3_000;

    /** What may be shown alone in the list: notes have no mark on the ribbon. */
    public const ONLY = [...HistoryAddress::ONLY, 'notes'];

    /** @param int $by id of an editor; 0 for everybody */
    public function __construct(
        public string $only = '',
        public int $by = 0,
        public ?CarbonImmutable $from = null,
        public ?CarbonImmutable $until = null,
        public string $words = '',
        public bool $fold = false,
    ) {}

    /** Whether anything but the whole list is asked for. */
    public function isAsked(): bool
    {
        return $this->only !== '' || $this->by !== 0 || $this->from !== null || $this->until !== null || $this->words !== '';
    }

    /** @return Builder<Version> the newest first */
    public function versions(Item $item): Builder
    {
        return Version::query()->where('item_id', $item->id)->orderByDesc('number')
            ->when($item->sight, fn (Builder $query, Sight $sight) => $query->whereIn('number', $sight->numbers ?? []))
            ->when($this->by !== 0 && $item->sight === null, fn (Builder $query) => $query->where('user_id', $this->by))
            ->when(
                $this->from,
                fn (Builder $query, CarbonImmutable $day) => $query->where('saved_at', '>=', $day->startOfDay()->format('Y-m-d H:i:s')),
            )
            ->when(
                $this->until,
                fn (Builder $query, CarbonImmutable $day) => $query->where('saved_at', '<=', $day->endOfDay()->format('Y-m-d H:i:s')),
            )
            ->when($this->only !== '', fn (Builder $query) => $this->only($query));
    }

    /** @param Builder<Version> $query */
    private function only(Builder $query): void
    {
        match ($this->only) {
            'milestones' => $query->whereHas('milestone'),
            'published' => $query->whereHas(
                'publishings',
                fn (Builder $publishing) => $publishing->where('state', PublishingState::Published),
            ),
            'restores' => $query->whereNotNull('source'),
            'unusual' => $query->whereNotNull('unusual'),
            'pins' => $query->whereNotNull('pinned_by'),
            'notes' => $query->whereNotNull('note'),
            default => null,
        };
    }

    /**
     * The numbers of those in whose sentences, notes or names the words are.
     *
     * @return list<int>|null null when no words are asked for
     */
    public function withWords(Item $item, Phrases $phrases): ?array
    {
        if ($this->words === '') {
            return null;
        }
        $numbers = [];
        foreach ($this->versions($item)->with('user', 'milestone')->limit(self::LOOKED_THROUGH)->get() as $version) {
            $version->setRelation('item', $item);
            $said = $phrases->seen($item, $version)
            .' '
            .($item->sight === null ? "{$version->note} {$phrases->unusual($version->unusual)}" : '')
            .' '
            .$version->milestone?->name;
            if (mb_stripos($said, $this->words) !== false) {
                $numbers[] = $version->number;
            }
        }

        return $numbers;
    }

    /**
     * For an address, without what goes without saying.
     *
     * @param  array<string, string>  $more
     * @return array<string, string>
     */
    public function with(array $more = []): array
    {
        return array_filter(
            [
                ...[
                    'only' => $this->only,
                    'by' => $this->by === 0 ? '' : (string) $this->by,
                    'from' => $this->from?->format('Y-m-d') ?? '',
                    'until' => $this->until?->format('Y-m-d') ?? '',
                    'words' => $this->words,
                    'fold' => $this->fold ? '1' : '',
                ],
                ...$more,
            ],
            fn (string $value) => $value !== '',
        );
    }
}
