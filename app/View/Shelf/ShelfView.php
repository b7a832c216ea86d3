<?php

declare(strict_types=1);

namespace App\View\Shelf;

use App\Models\Item;
use App\Models\Milestone;
use App\Models\Proposal;
use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\Shelf;
use App\Models\Sight;
use App\Models\Thread;
use App\Models\User;
use App\Models\Version;
use App\View\Phrases;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;

/** What a shelf shows of its items, a page at a time. The number of queries does not depend on how many there are. */
final readonly class ShelfView
{
    private const PAGE = 30;

    private const WEEKS = 8;

    /** Unusual changes are asked about for so long, and so many at once. */
    private const ASKED_DAYS = 30;

    private const ASKED = 3;

    /** Two days a bar. */
    private const BARS = 28;

    public const BAR_HEIGHT = 24;

    /** @var LengthAwarePaginator<int, Item> */
    public LengthAwarePaginator $items;

    /** @var Collection<int, Milestone> by item */
    public Collection $milestones;

    /** @var array<int, int> item => threads that are open */
    public array $talk;

    /** @var array<int, string> item => what its newest version did */
    public array $sentences;

    /** @var list<array{Version, string}> with what of it is worth a look; that nobody looked at yet, the newest first */
    public array $unusual;

    /** @var array<int, array<int, string>> item => colour => its bars as a path of SVG */
    public array $bars;

    /** @var Collection<int, Publishing> wishes that wait for this person's yes, and answers that they have not seen */
    public Collection $wishes;

    /** @var list<array{Item, int}> forms with how many changes to their entries wait for this person's yes */
    public array $proposals;

    /** Whether there is enough to look for something in it. */
    public bool $isLong;

    public function __construct(private Shelf $shelf, private User $user, public ShelfQuery $asked, Phrases $phrases)
    {
        $this->items = $this->items();
        $this->isLong = $asked->isAsked() || $this->items->total() > intdiv(self::PAGE, 2);
        $this->wishes = $this->wishes();
        $this->proposals = $shelf->asks_entries && $shelf->letsPublish($user) ? $this->proposals() : [];
        $own = $this->items->getCollection()->whereNull('sight')->pluck('id');
        $this->milestones = Milestone::query()
            ->join('versions', 'versions.id', '=', 'milestones.version_id')
            ->whereIn('milestones.item_id', $own)
            ->get(['milestones.*', 'versions.number'])
            ->sortBy('number')
            ->keyBy('item_id');
        $this->talk = Thread::query()
            ->whereIn('item_id', $own)
            ->where('is_open', true)
            ->groupBy('item_id')
            ->selectRaw('item_id, COUNT(*) AS count')
            ->pluck('count', 'item_id')
            ->map(fn (mixed $count) => (int) $count)
            ->all();
        $this->sentences = $this->items
            ->getCollection()
            ->whereNull('sight')
            ->whereNotNull('newest')
            ->mapWithKeys(fn (Item $item): array => [$item->id => $item->newest === null ? '' : $phrases->version($item->newest)])
            ->all();
        $this->unusual = array_values(
            $this->unusual()->map(fn (Version $version): array => [$version, (string) $phrases->unusual($version->unusual)])->all(),
        );
        $this->bars = $this->bars($own->all());
    }

    /** @return LengthAwarePaginator<int, Item> as this person sees them: of what is published, who sees no drafts sees what is live */
    private function items(): LengthAwarePaginator
    {
        $drafts = $this->shelf->showsDraftsTo($this->user);
        $query = $this->shelf
            ->items()
            ->getQuery()
            ->with('newest.user', 'newest.milestone', 'origin.item', 'live.version.user')
            ->when($this->asked->kind !== '', fn (Builder $query) => $query->where('items.kind', $this->asked->kind));
        $drafts ? $this->narrowed($query, 'items.title', 'items.changed_at') : $this->seenLive($query);
        $page = $query->orderByDesc('items.id')->paginate(self::PAGE)->appends($this->asked->with());
        $page->getCollection()->each(fn (Item $item) => $item->setRelation('shelf', $this->shelf)->newest?->setRelation('item', $item));

        return $drafts
            ? $page
            : $page->setCollection(
                $page
                    ->getCollection()
                    ->map(fn (Item $item) => $item->isPublishable() ? Sight::of($this->user, $item)->item($item) : $item)
                    ->filter()
                    ->values(),
            );
    }

    /**
     * Of what is published, only what is live: found and sorted by what is live of it.
     *
     * @param  Builder<Item>  $query
     */
    private function seenLive(Builder $query): void
    {
        $published = Kinds::published();
        $of = fn (string $own, string $live): string => "CASE WHEN items.kind IN ('".implode("', '", $published)."') THEN {$live} ELSE {$own} END";
        $query
            ->leftJoin('publishings AS live', 'live.id', '=', 'items.live_id')
            ->select('items.*')
            ->where(fn (Builder $query) => $query->whereNotIn('items.kind', $published)->orWhereNotNull('items.live_id'));
        $this->narrowed($query, $of('items.title', 'live.title'), $of('items.changed_at', 'live.decided_at'));
    }

    /**
     * What is asked for, in the order that is asked for.
     *
     * @param  Builder<Item>  $query
     * @param  string  $title  in SQL, as is the time
     */
    private function narrowed(Builder $query, string $title, string $changed): void
    {
        $query
            ->when(
                $this->asked->find !== '',
                fn (Builder $query) => $query->whereRaw("{$title} LIKE ? ESCAPE '\\'", [self::like($this->asked->find)]),
            )
            ->orderByRaw($this->asked->sort === 'title' ? "{$title} COLLATE NOCASE" : "{$changed} DESC");
    }

    private static function like(string $words): string
    {
        return '%'.addcslashes($words, '%_\\').'%';
    }

    /** @return Builder<Item> all that is on the shelf */
    private function standing(): Builder
    {
        return $this->shelf->items()->getQuery()->select('id');
    }

    /** @return Collection<int, Publishing> */
    private function wishes(): Collection
    {
        $publishes = $this->shelf->letsPublish($this->user);

        return Publishing::query()
            ->with('user', 'decider', 'version', 'item')
            ->whereIn('item_id', $this->standing())
            ->where(
                fn ($query) => $query
                    ->when(
                        $publishes,
                        fn ($own) => $own->where(
                            fn ($waits) => $waits->where('state', PublishingState::Waiting)->where('user_id', '!=', $this->user->id),
                        ),
                    )
                    ->orWhere(
                        fn ($answered) => $answered
                            ->where('user_id', $this->user->id)
                            ->where('decider_id', '!=', $this->user->id)
                            ->whereNull('told_at'),
                    ),
            )
            ->orderBy('id')
            ->limit(10)
            ->get()
            ->each(fn (Publishing $publishing) => $publishing->item->setRelation('shelf', $this->shelf));
    }

    /** @return list<array{Item, int}> */
    private function proposals(): array
    {
        $counts = Proposal::query()
            ->waiting()
            ->where('proposals.user_id', '!=', $this->user->id)
            ->join('items', 'items.id', '=', 'proposals.item_id')
            ->whereIn('items.form_id', $this->standing())
            ->whereNull('items.deleted_at')
            ->groupBy('items.form_id')
            ->selectRaw('items.form_id AS form, COUNT(*) AS count')
            ->pluck('count', 'form');

        return array_values(
            Item::query()
                ->whereKey($counts->keys())
                ->get()
                ->map(fn (Item $form) => [$form->setRelation('shelf', $this->shelf), (int) $counts[$form->id]])
                ->all(),
        );
    }

    /**
     * Unusual changes that still hold: not meant, and not undone by a restore of what was before. Of what is published, who sees no drafts
     * is not asked.
     *
     * @return Collection<int, Version>
     */
    private function unusual(): Collection
    {
        $kinds = $this->shelf->showsDraftsTo($this->user)
            ? Kinds::all()
            : array_filter(Kinds::all(), fn (Kind $kind) => ! $kind->isPublishable());
        $found = Version::query()
            ->with('user', 'item')
            ->whereIn('item_id', $this->standing()->whereIn('kind', array_map(fn (Kind $kind) => $kind->name(), $kinds)))
            ->unanswered()
            ->where('saved_at', '>', now()->subDays(self::ASKED_DAYS))
            ->orderByDesc('saved_at')
            ->limit(self::ASKED)
            ->get();

        return $found->each(fn (Version $version) => $version->item->setRelation('shelf', $this->shelf));
    }

    /**
     * @param  array<int, mixed>  $items
     * @return array<int, array<int, string>>
     */
    private function bars(array $items): array
    {
        $first = now()->startOfDay()->subDays(self::WEEKS * 7 - 1);
        $rows = DB::table('activity')->join('users', 'users.id', '=', 'activity.user_id')->whereIn('item_id', $items)
            ->where('day', '>=', $first->format('Y-m-d'))->orderBy('day')->get(['item_id', 'day', 'colour', 'versions']);
        $counts = [];
        foreach ($rows as $row) {
            $bar = intdiv((int) $first->diffInDays($row->day), 2);
            $counts[(int) $row->item_id][$bar][(int) $row->colour]
                = ($counts[(int) $row->item_id][$bar][(int) $row->colour] ?? 0) + (int) $row->versions;
        }

        return array_map($this->stacked(...), $counts);
    }

    /**
     * @param  array<int, array<int, int>>  $counts  bar => colour => versions
     * @return array<int, string> colour => path
     */
    private function stacked(array $counts): array
    {
        $paths = [];
        foreach ($counts as $bar => $colours) {
            $total = array_sum($colours);
            $tall = min(self::BAR_HEIGHT, 4 + 7 * log($total, 2));
            $top = self::BAR_HEIGHT;
            foreach ($colours as $colour => $count) {
                $height = round($tall * $count / $total, 1);
                $top = round($top - $height, 1);
                $paths[$colour] = ($paths[$colour] ?? '').'M'.(min(self::BARS - 1, $bar) * 7)." {$top}h5v{$height}h-5z";
            }
        }

        return $paths;
    }

    /** The version that somebody sees of an item: the newest, or what readers may see. */
    public function seen(Item $item): ?Version
    {
        return $item->sight === null ? $item->newest : $item->live?->version;
    }
}
