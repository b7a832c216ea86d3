<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\LineRequest;
use App\Http\Requests\ListRequest;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\Sight;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\View\ChangeLine;
use App\View\Comparison;
use App\View\Files;
use App\View\HistoryAddress;
use App\View\LookedAt;
use App\View\Past;
use App\View\Phrases;
use App\View\PublishingWords;
use App\View\RibbonData;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\History\Sittings;

final class HistoryController extends Controller
{
    private const PAGE = 100;

    /** Published versions on a page, each compared with the one before it. */
    private const COMPARED = 25;

    public function __construct(private readonly States $states) {}

    public function show(Request $request, Item $item, Phrases $phrases): View
    {
        Gate::authorize('view', $item);
        $address = HistoryAddress::read($request, $item, fn () => $item->sight === null ? $this->beforeLastSitting($item) : $item->before($item->head));
        $from = $this->version($item, $address->from);
        $to = $address->to === $address->from ? $from : $this->version($item, $address->to);
        $past = $item->room(Past::class);
        $comparison = $past->compared($item, $from, $to, $address, $phrases);
        $at = new LookedAt($item, $this->person($request), $comparison->kind, $comparison, $address);

        return view('history', [
            'item' => $item->load('origin.item', 'live.version'),
            'kind' => $comparison->kind,
            'address' => $address,
            'from' => $from,
            'to' => $to,
            'comparison' => $comparison,
            'editors' => $this->editorsBetween($item, $address),
            'phrases' => $phrases,
            'parts' => Gate::allows('draft', $item) ? route('item', $item).'/parts' : null,
            'itsHistory' => __('history.its_history'),
            'past' => $past,
            'of' => [],
            'formats' => $item->room(Files::class)->named(),
            'tellsAuthors' => $past->tellsAuthors($at),
            'switches' => $past->switches($at),
            'wish' => $this->wish($item),
            'together' => $to->with_id === null || $item->sight !== null ? new Collection : Version::query()->with('item.shelf.memberships')->where('with_id', $to->with_id)->where('id', '!=', $to->id)->get(),
            ...$past->of($at),
        ]);
    }

    /** The wish to publish that waits for a yes, for those who may give it and for who asked. */
    private function wish(Item $item): ?Publishing
    {
        return ! $item->isPublishable() || (Gate::denies('publish', $item) && Gate::denies('draft', $item)) ? null
            : $item->publishings()->waiting()->with('user', 'version')->first()?->setRelation('item', $item);
    }

    public function ribbon(Item $item, RibbonData $ribbon): JsonResponse
    {
        Gate::authorize('view', $item);

        return response()->json($ribbon->of($item));
    }

    /** The ribbon in words, a page at a time, newest first. */
    public function list(ListRequest $request, Item $item, Phrases $phrases): View
    {
        $only = $request->validated('only') ?? '';
        $versions = Version::query()->with('user', 'milestone', 'accepted.decider', ...($item->isPublishable() ? ['publishings.user', 'publishings.decider', 'publishings.ender'] : []))->where('item_id', $item->id)->orderByDesc('number')
            ->when($item->sight, fn ($query, Sight $sight) => $query->whereIn('number', $sight->numbers ?? []))
            ->when($only === 'milestones', fn ($query) => $query->whereHas('milestone'))
            ->when($only === 'published', fn ($query) => $query->whereHas('publishings', fn ($publishing) => $publishing->where('state', PublishingState::Published)))
            ->paginate($only === 'published' ? self::COMPARED : self::PAGE)->withQueryString();
        $item->load('origin.item');
        $versions->getCollection()->each(fn (Version $version) => $version->setRelation('item', $item));
        $ascending = $versions->getCollection()->reverse()->values();
        $sittings = array_map(
            fn (array $range) => $ascending->slice($range[0], $range[1] - $range[0])->reverse()->values(),
            array_reverse(Sittings::fold(array_values($ascending->map(fn (Version $version) => $version->saved_at->getTimestamp())->all()), $only !== '' || $item->sight !== null ? PHP_INT_MAX : Sittings::PAUSE)),
        );

        return view('list', ['item' => $item, 'removals' => $item->removals()->with('user')->orderByDesc('id')->limit(20)->get(), 'since' => $only === 'published' ? $this->sincePublished($item, $versions->getCollection(), $phrases) : [], 'page' => $versions, 'sittings' => $sittings, 'only' => $only, 'phrases' => $phrases, 'steps' => fn (Version $version): array => [...$version->accepted->map(fn ($proposal) => __('agreeing.accepted', ['decider' => (string) $proposal->decider?->firstName()]).($proposal->word === null ? '' : ": “{$proposal->word}”"))->all(), ...($item->isPublishable() ? PublishingWords::of($version) : [])]]);
    }

    /** One version in words, for the ribbon's hint. */
    public function line(LineRequest $request, Item $item, int $number, Phrases $phrases): JsonResponse
    {
        $since = (int) $request->validated('since');
        $version = $this->version($item, $number)->load($item->isPublishable() ? ['publishings.user', 'publishings.decider', 'publishings.ender'] : []);
        $item->load('origin.item');

        return response()->json(['sentence' => $since > 0 && $since < $number ? $this->between($this->version($item, $since), $version, $phrases) : $phrases->seen($item, $version), 'by' => $version->user->firstName(), 'note' => $item->sight === null ? $version->note : null]);
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
            $since[$version->number] = $before === null ? [$item->before($version->number), (string) __('publishing.first')] : [$before->number, $this->between($before->setRelation('item', $item), $version, $phrases)];
            $before = $version;
        }

        return $since;
    }

    /** What changed between two versions, in one line. */
    private function between(Version $from, Version $to, Phrases $phrases): string
    {
        return $phrases->inOneLine(array_map(fn (ChangeLine $entry) => $entry->statement, (new Comparison($to->item, $from, $to, $this->states, $phrases))->entries));
    }

    /** The version that the last sitting started from. */
    private function beforeLastSitting(Item $item): int
    {
        $times = DB::table('versions')->where('item_id', $item->id)->orderByDesc('number')->limit(60)->pluck('saved_at', 'number')->reverse();
        $sittings = Sittings::fold(array_values($times->map(fn (string $time) => (int) strtotime($time.' UTC'))->all()));
        $first = $times->keys()[$sittings === [] ? 0 : $sittings[count($sittings) - 1][0]] ?? $item->head;

        return max(1, (int) $first - 1);
    }

    /** @return Collection<int, User> everybody who made a version between the ends */
    private function editorsBetween(Item $item, HistoryAddress $address): Collection
    {
        return User::query()->whereIn('id', DB::table('versions')->where('item_id', $item->id)
            ->where('number', '>', $address->from)->where('number', '<=', $address->to)->distinct()->pluck('user_id'))->orderBy('id')->get();
    }
}
