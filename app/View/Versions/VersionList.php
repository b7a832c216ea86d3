<?php

declare(strict_types=1);

namespace App\View\Versions;

use App\Models\Item;
use App\Models\Proposal;
use App\Models\PublishingState;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\View\Phrases;
use App\View\Proposals\ProposedBetween;
use App\View\Settings\PublishingWords;
use App\View\Talk\SaidBetween;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\History\Sittings;

/** A page of the versions of an item, the newest first, with what was said and proposed between them. */
final readonly class VersionList
{
    private const PAGE = 100;

    /** Published versions on a page, each compared with the one before it. */
    private const COMPARED = 25;

    /** Versions that are gone, of whom it is said whose they were on one page. */
    private const MOST_GONE = 5_000;

    /** @var LengthAwarePaginator<int, Version> */
    public LengthAwarePaginator $page;

    /** @var list<SittingLines> the newest first; all in one where only some versions are asked for */
    public array $sittings;

    /** @var array<int, string> version => what is missing before it */
    public array $gaps;

    /** @var array<int, list<array<string, mixed>>> version => what was said while it was the newest: see {@see SaidBetween::byVersion} */
    public array $talked;

    /** @var array<int, list<array<string, mixed>>> version => what was proposed then: see {@see ProposedBetween::byVersion} */
    public array $proposed;

    public function __construct(private Item $item, private ListQuery $asked, private Phrases $phrases, private States $states, bool $talks)
    {
        $this->page = $this->page();
        $versions = $this->page->getCollection();
        $lines = $this->lines($versions);
        $this->sittings = $this->sittings($lines);
        $this->gaps = ! $asked->isAsked() && $item->gone > 0 && $item->sight === null ? $this->gaps($versions) : [];
        $isTold = $talks && ! $asked->isAsked() && $lines !== [];
        $first = $lines[0]->version->number ?? 1;
        $last = $this->page->onFirstPage() ? $item->head : (int) $versions->first()?->number;
        $this->talked = $isTold ? (new SaidBetween($item, $first, $last))->byVersion() : [];
        $this->proposed = $isTold ? (new ProposedBetween($item, $first, $last))->byVersion() : [];
    }

    /** @return LengthAwarePaginator<int, Version> */
    private function page(): LengthAwarePaginator
    {
        $wanted = $this->asked->withWords($this->item, $this->phrases);
        $page = $this->asked
            ->versions($this->item)
            ->with(
                'user',
                'milestone',
                'accepted.decider',
                ...$this->item->isPublishable() ? ['publishings.user', 'publishings.decider', 'publishings.ender'] : [],
            )
            ->when($wanted !== null, fn ($query) => $query->whereIn('number', $wanted))
            ->paginate($this->asked->only === 'published' ? self::COMPARED : self::PAGE)->appends($this->asked->with());
        $page->getCollection()->each(fn (Version $version) => $version->setRelation('item', $this->item));

        return $page;
    }

    /**
     * @param  Collection<int, Version>  $versions  the newest first
     * @return list<VersionLine> the oldest first
     */
    private function lines(Collection $versions): array
    {
        $since = $this->asked->only === 'published' ? $this->sincePublished($versions) : [];

        return array_values(
            $versions
                ->reverse()
                ->map(
                    fn (Version $version): VersionLine => new VersionLine(
                        $version,
                        $since[$version->number][1] ?? $this->phrases->seen($this->item, $version),
                        $this->item->sight === null ? $this->phrases->unusual($version->unusual) : null,
                        $this->item->sight === null
                            ? [...self::accepted($version), ...$this->item->isPublishable() ? PublishingWords::of($version) : []]
                            : [],
                        $since[$version->number][0] ?? $this->item->lookFrom($version->number),
                    ),
                )
                ->all(),
        );
    }

    /**
     * @param  list<VersionLine>  $lines  the oldest first
     * @return list<SittingLines> the newest first
     */
    private function sittings(array $lines): array
    {
        $pause = $this->asked->isAsked() || $this->item->sight !== null ? PHP_INT_MAX : Sittings::PAUSE;
        $sittings = [];
        foreach (
            Sittings::fold(array_map(fn (VersionLine $line): int => $line->version->saved_at->getTimestamp(), $lines), $pause) as [$from, $to]
        ) {
            $some = array_reverse(array_slice($lines, $from, $to - $from));
            $some === [] || array_unshift($sittings, new SittingLines($some));
        }

        return $sittings;
    }

    /**
     * Where versions are no longer kept: how many, and whose they were.
     *
     * @param  Collection<int, Version>  $versions  the newest first
     * @return array<int, string>
     */
    private function gaps(Collection $versions): array
    {
        $numbers = [...$versions->pluck('number')->all(), $versions->isEmpty() ? 0 : $this->item->before($versions->last()->number)];
        $gone = DB::table('gone_versions')
            ->where('item_id', $this->item->id)
            ->whereBetween('number', [min($numbers), max($numbers)])
            ->orderByDesc('number')
            ->limit(self::MOST_GONE)
            ->get(['number', 'user_id']);
        $people = User::query()
            ->whereKey($gone->pluck('user_id')->unique())
            ->get()
            ->keyBy('id');
        $gaps = [];
        foreach ($gone as $row) {
            $next = min(array_filter($numbers, fn (int $number) => $number > $row->number) ?: [0]);
            $gaps[$next][] = (int) $row->user_id;
        }

        return array_map(
            fn (array $whose): string => trans_choice('history.gap', count($whose), [
                'count' => (string) count($whose),
                'who' => implode(', ', array_map(fn (int $id): string => (string) $people->get($id)?->firstName(), array_unique($whose))),
            ]),
            $gaps,
        );
    }

    /**
     * Of published versions, what readers saw change with each.
     *
     * @param  Collection<int, Version>  $versions  the newest first
     * @return array<int, array{int, string}> version => the published one before it, and the change in one line; before the first, readers
     *     saw nothing
     */
    private function sincePublished(Collection $versions): array
    {
        $oldest = $versions->last();
        $before = $oldest === null
            ? null
            : Version::query()
                ->where('item_id', $this->item->id)
                ->where('number', '<', $oldest->number)
                ->whereHas('publishings', fn ($publishing) => $publishing->where('state', PublishingState::Published))
                ->orderByDesc('number')
                ->first();
        $since = [];
        foreach ($versions->reverse() as $version) {
            $since[$version->number] = $before === null
                ? [$this->item->lookFrom($version->number), (string) __('publishing.first')]
                : [$before->number, $this->phrases->between($before->setRelation('item', $this->item), $version, $this->states)];
            $before = $version;
        }

        return $since;
    }

    /** @return list<string> what was said with the yes; that there was one, where the sentence does not say so */
    private static function accepted(Version $version): array
    {
        $said = $version->accepted->map(
            fn (Proposal $proposal): string => match (true) {
                $proposal->word !== null => (string) __('agreeing.accepted', ['decider' => (string) $proposal->decider?->firstName()])
                    .": “{$proposal->word}”",
                isset($version->facts['whose']) => '',
                default => (string) __('agreeing.accepted', ['decider' => (string) $proposal->decider?->firstName()]),
            },
        );

        return array_values(array_filter($said->all()));
    }
}
