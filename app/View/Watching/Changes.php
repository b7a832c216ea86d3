<?php

declare(strict_types=1);

namespace App\View\Watching;

use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\View\Phrases;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\JoinClause;
use MistyAttic\Core\Kinds\Kinds;

/**
 * What changed on an item or a shelf, in sentences, as one person may see it: the latest first. Of what is published, who sees no drafts is
 * told nothing here: its public address has a feed of its own.
 */
final readonly class Changes
{
    public const MOST = 50;

    public function __construct(private User $person, private Phrases $phrases) {}

    /**
     * @param  int  $after  an id: only versions that came after it
     * @param  bool  $marks  milestones and publishings only
     * @param  CarbonImmutable|null  $since  a version that came before it and has grown since this moment counts, too
     * @return list<Change>
     */
    public function of(Item|Shelf $what, int $after = 0, bool $marks = false, bool $others = false, ?CarbonImmutable $since = null): array
    {
        $items = fn (): Builder|array => $what instanceof Shelf ? $what->items()->getQuery()->select('items.id') : [$what->id];
        $grown = $since === null ? [] : $this->grown($items(), $after, $since);
        $shelf = $what instanceof Shelf ? $what : $what->shelf;
        $hidden = $shelf->showsDraftsTo($this->person) ? [] : Kinds::published();
        $versions = Version::query()
            ->with('user', 'milestone', 'item.shelf.memberships', 'item.origin.item')
            ->where(
                fn (Builder $either) => $either
                    ->where('versions.id', '>', $after)
                    ->when($grown !== [], fn (Builder $query) => $query->orWhereIn('versions.id', $grown)),
            )
            ->whereIn('item_id', $items())
            ->when($others, fn (Builder $query) => $query->where('user_id', '!=', $this->person->id))
            ->whereHas('item', fn (Builder $item) => $item->whereNotIn('kind', $hidden))
            ->when(
                $marks,
                fn (Builder $query) => $query->where(
                    fn (Builder $either) => $either
                        ->whereHas('milestone')
                        ->orWhereHas('publishings', fn (Builder $publishing) => $publishing->whereNotNull('count')),
                ),
            )
            ->orderByDesc('saved_at')
            ->orderByDesc('versions.id')
            ->limit(self::MOST)
            ->get();

        return array_values(
            $versions
                ->map(
                    fn (Version $version) => new Change(
                        $version,
                        $this->phrases->version($version).($version->milestone === null ? '' : " (“{$version->milestone->name}”)"),
                    ),
                )
                ->all(),
        );
    }

    /**
     * Versions of up to then that have grown since.
     *
     * @param  Builder<Item>|list<int>  $items
     * @return list<int>
     */
    private function grown(Builder|array $items, int $upTo, CarbonImmutable $since): array
    {
        return array_values(
            Item::query()
                ->join(
                    'versions',
                    fn (JoinClause $newest) => $newest->on('versions.item_id', '=', 'items.id')->on('versions.number', '=', 'items.head'),
                )
                ->whereIn('items.id', $items)
                ->where('items.changed_at', '>', $since)
                ->where('versions.saved_at', '>', $since)
                ->where('versions.id', '<=', $upTo)
                ->pluck('versions.id')
                ->all(),
        );
    }
}
