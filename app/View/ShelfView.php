<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\Milestone;
use App\Models\Proposal;
use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\Shelf;
use App\Models\Sight;
use App\Models\User;
use App\Models\Version;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** What a shelf shows of its items. The number of queries does not depend on how many there are. */
final readonly class ShelfView
{
    private const WEEKS = 8;

    /** Unusual changes are asked about for so long, and so many at once. */
    private const ASKED_DAYS = 30;

    private const ASKED = 3;

    /** Two days a bar. */
    private const BARS = 28;

    public const BAR_HEIGHT = 24;

    /** @var Collection<int, Item> newest change first */
    public Collection $items;

    /** @var Collection<int, Milestone> by item */
    public Collection $milestones;

    /** @var Collection<int, Version> that nobody looked at yet, the newest first */
    public Collection $unusual;

    /** @var array<int, list<array{x: int, y: float, height: float, colour: int}>> by item */
    public array $bars;

    /** @var Collection<int, Publishing> wishes that wait for this person's yes, and answers that they have not seen */
    public Collection $wishes;

    /** @var list<array{Item, int}> forms with how many changes to their entries wait for this person's yes */
    public array $proposals;

    public function __construct(Shelf $shelf, User $user)
    {
        $items = $shelf->items()->with('newest.user', 'newest.milestone', 'origin.item', 'live.version.user')->orderByDesc('changed_at')->get();
        $items->each(fn (Item $item) => $item->setRelation('shelf', $shelf)->newest?->setRelation('item', $item));
        $this->wishes = $this->wishes($shelf, $user, $items);
        $this->proposals = $shelf->asks_entries && $shelf->letsPublish($user) ? $this->proposals($user, $items) : [];
        $this->items = $shelf->showsDraftsTo($user) ? $items : $items->map(fn (Item $item) => $item->isPublishable() ? $this->seen($user, $item) : $item)->filter()->sortByDesc('changed_at')->values();
        $this->milestones = Milestone::query()->join('versions', 'versions.id', '=', 'milestones.version_id')
            ->whereIn('milestones.item_id', $this->items->whereNull('sight')->pluck('id'))
            ->get(['milestones.*', 'versions.number'])->sortBy('number')->keyBy('item_id');
        $this->unusual = $this->unusual($this->items->whereNull('sight'));
        $this->bars = $this->bars($this->items->whereNull('sight')->pluck('id')->all());
    }

    /** An item as readers see it; null when they see nothing of it. */
    private function seen(User $user, Item $item): ?Item
    {
        return $item->live_id === null ? null : Sight::of($user, $item)->item($item);
    }

    /**
     * @param  Collection<int, Item>  $items
     * @return Collection<int, Publishing>
     */
    private function wishes(Shelf $shelf, User $user, Collection $items): Collection
    {
        $publishes = $shelf->letsPublish($user);

        return Publishing::query()->with('user', 'decider', 'version')->whereIn('item_id', $items->pluck('id'))
            ->where(fn ($query) => $query->when($publishes, fn ($own) => $own->where(fn ($waits) => $waits->where('state', PublishingState::Waiting)->where('user_id', '!=', $user->id)))
                ->orWhere(fn ($answered) => $answered->where('user_id', $user->id)->where('decider_id', '!=', $user->id)->whereNull('told_at')))
            ->orderBy('id')->limit(10)->get()->each(fn (Publishing $publishing) => $publishing->setRelation('item', $items->firstWhere('id', $publishing->item_id)));
    }

    /**
     * @param  Collection<int, Item>  $items
     * @return list<array{Item, int}>
     */
    private function proposals(User $user, Collection $items): array
    {
        $counts = Proposal::query()->waiting()->where('proposals.user_id', '!=', $user->id)->join('items', 'items.id', '=', 'proposals.item_id')
            ->whereIn('items.form_id', $items->where('kind', 'form')->pluck('id'))->whereNull('items.deleted_at')->groupBy('items.form_id')->selectRaw('items.form_id AS form, COUNT(*) AS count')->pluck('count', 'form');

        return array_values($items->whereIn('id', $counts->keys())->map(fn (Item $form) => [$form, (int) $counts[$form->id]])->all());
    }

    /**
     * Unusual changes that still stand: not meant, and not undone by a restore of what was before.
     *
     * @param  Collection<int, Item>  $items
     * @return Collection<int, Version>
     */
    private function unusual(Collection $items): Collection
    {
        $found = Version::query()->with('user')->whereIn('item_id', $items->pluck('id'))->whereNotNull('unusual')->whereNull('meant_user_id')
            ->where('saved_at', '>', now()->subDays(self::ASKED_DAYS))
            ->whereNotExists(fn ($query) => $query->from('versions AS later')->whereColumn('later.item_id', 'versions.item_id')->whereColumn('later.number', '>', 'versions.number')->whereColumn('later.source', '<', 'versions.number'))
            ->orderByDesc('saved_at')->limit(self::ASKED)->get();

        return $found->each(fn (Version $version) => $version->setRelation('item', $items->firstWhere('id', $version->item_id)));
    }

    /**
     * @param  array<int, mixed>  $items
     * @return array<int, list<array{x: int, y: float, height: float, colour: int}>>
     */
    private function bars(array $items): array
    {
        $first = now()->startOfDay()->subDays(self::WEEKS * 7 - 1);
        $rows = DB::table('activity')->join('users', 'users.id', '=', 'activity.user_id')->whereIn('item_id', $items)
            ->where('day', '>=', $first->format('Y-m-d'))->orderBy('day')->get(['item_id', 'day', 'colour', 'versions']);
        $counts = [];
        foreach ($rows as $row) {
            $bar = intdiv((int) $first->diffInDays($row->day), 2);
            $counts[(int) $row->item_id][$bar][(int) $row->colour] = ($counts[(int) $row->item_id][$bar][(int) $row->colour] ?? 0) + (int) $row->versions;
        }

        return array_map($this->stacked(...), $counts);
    }

    /**
     * @param  array<int, array<int, int>>  $counts  bar => colour => versions
     * @return list<array{x: int, y: float, height: float, colour: int}>
     */
    private function stacked(array $counts): array
    {
        $bars = [];
        foreach ($counts as $bar => $colours) {
            $total = array_sum($colours);
            $tall = min(self::BAR_HEIGHT, 4 + 7 * log($total, 2));
            $top = self::BAR_HEIGHT;
            foreach ($colours as $colour => $count) {
                $height = round($tall * $count / $total, 1);
                $top -= $height;
                $bars[] = ['x' => min(self::BARS - 1, $bar) * 7, 'y' => round($top, 1), 'height' => $height, 'colour' => $colour];
            }
        }

        return $bars;
    }
}
