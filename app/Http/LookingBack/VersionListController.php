<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\Controller;
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
use Illuminate\Contracts\View\View;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\History\Sittings;

/** The ribbon in words, a page at a time, newest first. */
final class VersionListController extends Controller
{
    private const PAGE = 100;

    /** Published versions on a page, each compared with the one before it. */
    private const COMPARED = 25;

    /** Versions that are gone, of whom it is said whose they were on one page. */
    private const MOST_GONE = 5_000;

    public function __construct(private readonly States $states) {}

    public function __invoke(ListRequest $request, Item $item, Phrases $phrases): View
    {
        $asked = $request->asked();
        $item->load('origin.item');
        $wanted = $asked->withWords($item, $phrases);
        $versions = $asked->versions($item)->with('user', 'milestone', 'accepted.decider', ...($item->isPublishable() ? ['publishings.user', 'publishings.decider', 'publishings.ender'] : []))
            ->when($wanted !== null, fn ($query) => $query->whereIn('number', $wanted))
            ->paginate($asked->only === 'published' ? self::COMPARED : self::PAGE)->appends($asked->with());
        $versions->getCollection()->each(fn (Version $version) => $version->setRelation('item', $item));
        $ascending = $versions->getCollection()->reverse()->values();
        $sittings = array_map(
            fn (array $range) => $ascending->slice($range[0], $range[1] - $range[0])->reverse()->values(),
            array_reverse(Sittings::fold(array_values($ascending->map(fn (Version $version) => $version->saved_at->getTimestamp())->all()), $asked->isAsked() || $item->sight !== null ? PHP_INT_MAX : Sittings::PAUSE)),
        );

        return view('list', [
            'item' => $item,
            'asked' => $asked,
            'editors' => $item->sight !== null ? new Collection : User::query()->whereIn('id', DB::table('activity')->where('item_id', $item->id)->select('user_id'))->get()->sortBy('name'),
            'removals' => $item->removals()->with('user')->orderByDesc('id')->limit(20)->get(),
            'since' => $asked->only === 'published' ? $this->sincePublished($item, $versions->getCollection(), $phrases) : [],
            'page' => $versions,
            'sittings' => $sittings,
            'gaps' => ! $asked->isAsked() && $item->gone > 0 && $item->sight === null ? $this->gaps($item, $versions->getCollection()) : [],
            'talked' => $asked->isAsked() || $versions->isEmpty() || Gate::denies('talk', $item) ? [] : (new SaidBetween($item, $ascending->first()->number ?? 1, $versions->onFirstPage() ? $item->head : $ascending->last()->number ?? 1))->byVersion(),
            'proposed' => $asked->isAsked() || $versions->isEmpty() || Gate::denies('talk', $item) ? [] : (new ProposedBetween($item, $ascending->first()->number ?? 1, $versions->onFirstPage() ? $item->head : $ascending->last()->number ?? 1))->byVersion(),
            'phrases' => $phrases,
            'largest' => fn (Collection $sitting): Version => $sitting->sortByDesc(fn (Version $version) => [$version->unusual !== null, $version->added + $version->removed])->firstOrFail(),
            'mayWrite' => Gate::allows('write', $item),
            'mayComment' => Gate::allows('comment', $item),
            'steps' => fn (Version $version): array => [...self::accepted($version), ...($item->isPublishable() ? PublishingWords::of($version) : [])],
        ]);
    }

    /**
     * Where versions are no longer kept: how many, and whose they were.
     *
     * @param  Collection<int, Version>  $versions  the newest first
     * @return array<int, string> version => what is missing before it
     */
    private function gaps(Item $item, Collection $versions): array
    {
        $numbers = [...$versions->pluck('number')->all(), $versions->isEmpty() ? 0 : $item->before($versions->last()->number)];
        $gone = DB::table('gone_versions')->where('item_id', $item->id)->whereBetween('number', [min($numbers), max($numbers)])->orderByDesc('number')->limit(self::MOST_GONE)->get(['number', 'user_id']);
        $people = User::query()->whereKey($gone->pluck('user_id')->unique())->get()->keyBy('id');
        $gaps = [];
        foreach ($gone as $row) {
            $next = min(array_filter($numbers, fn (int $number) => $number > $row->number) ?: [0]);
            $gaps[$next][] = (int) $row->user_id;
        }

        return array_map(fn (array $whose): string => trans_choice('history.gap', count($whose), ['count' => (string) count($whose), 'who' => implode(', ', array_map(fn (int $id): string => (string) $people->get($id)?->firstName(), array_unique($whose)))]), $gaps);
    }

    /**
     * Of published versions, what readers saw change with each.
     *
     * @param  Collection<int, Version>  $versions  the newest first
     * @return array<int, array{int, string}> version => the published one before it, and the change in one line; before the first, readers saw nothing
     */
    private function sincePublished(Item $item, Collection $versions, Phrases $phrases): array
    {
        $oldest = $versions->last();
        $before = $oldest === null ? null : Version::query()->where('item_id', $item->id)->where('number', '<', $oldest->number)->whereHas('publishings', fn ($publishing) => $publishing->where('state', PublishingState::Published))->orderByDesc('number')->first();
        $since = [];
        foreach ($versions->reverse() as $version) {
            $since[$version->number] = $before === null ? [$item->lookFrom($version->number), (string) __('publishing.first')] : [$before->number, $phrases->between($before->setRelation('item', $item), $version, $this->states)];
            $before = $version;
        }

        return $since;
    }

    /** @return list<string> what was said with the yes; that there was one, where the sentence does not say so */
    private static function accepted(Version $version): array
    {
        $said = $version->accepted->map(fn (Proposal $proposal): string => match (true) {
            $proposal->word !== null => (string) __('agreeing.accepted', ['decider' => (string) $proposal->decider?->firstName()]).": “{$proposal->word}”",
            isset($version->facts['whose']) => '',
            default => (string) __('agreeing.accepted', ['decider' => (string) $proposal->decider?->firstName()]),
        });

        return array_values(array_filter($said->all()));
    }
}
