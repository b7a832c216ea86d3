<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\LineRequest;
use App\Http\Requests\LinesRequest;
use App\Http\Requests\ListRequest;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\Sight;
use App\Models\User;
use App\Models\Version;
use App\Store\Excerpt;
use App\Store\ReportData;
use App\Store\States;
use App\View\Authorship;
use App\View\Blocks;
use App\View\Comparison;
use App\View\DatasetCompared;
use App\View\Download;
use App\View\Entry;
use App\View\FieldWords;
use App\View\FlowMap;
use App\View\FormRows;
use App\View\HistoryAddress;
use App\View\PageHtml;
use App\View\PageMap;
use App\View\Phrases;
use App\View\Pieces;
use App\View\PublishingWords;
use App\View\ReportCompared;
use App\View\ReportView;
use App\View\RibbonData;
use App\View\SheetAuthors;
use App\View\SheetView;
use App\View\SourceView;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\History\Sittings;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;

final class HistoryController extends Controller
{
    private const PAGE = 100;

    /** Published versions on a page, each compared with the one before it. */
    private const COMPARED = 25;

    /** Lines of a table that come with the page, and each time more are asked for. */
    private const LINES = 150;

    public function __construct(private readonly ReportData $data, private readonly FieldWords $words, private readonly States $states) {}

    public function show(Request $request, Item $item, States $states, Phrases $phrases): View
    {
        Gate::authorize('view', $item);
        $address = HistoryAddress::read($request, $item, fn () => $item->sight === null ? $this->beforeLastSitting($item) : $item->before($item->head));
        $from = $this->version($item, $address->from);
        $to = $address->to === $address->from ? $from : $this->version($item, $address->to);
        $comparison = new Comparison($item, $from, $to, $states, $phrases, whole: $address->showsAll($item));
        $kind = Kinds::named($item->kind);
        $sheet = $item->kind === 'spreadsheet' ? $this->sheet($comparison, $states, $address) : null;

        return view('history', [
            'item' => $item->load('origin.item', 'live.version'),
            'kind' => $kind,
            'address' => $address,
            'from' => $from,
            'to' => $to,
            'comparison' => $comparison,
            'editors' => $this->editorsBetween($item, $address),
            'phrases' => $phrases,
            'parts' => Gate::allows('draft', $item) ? route('item', $item).'/parts' : null,
            'itsHistory' => __('history.its_history'),
            'state' => $sheet !== null ? 'sheet' : ($kind->beside() !== null ? 'page' : (in_array($item->kind, ['form', 'entry', 'dataset', 'report'], true) ? $item->kind : 'state')),
            'sheet' => $sheet,
            'formats' => Download::formats($item->kind),
            'authors' => $authors = $sheet !== null && $address->view === 'who' ? new SheetAuthors($item, $to) : null,
            'writers' => $authors?->counts($states->count($to->root) < Excerpt::LARGE ? $states->tree($to->root) : null) ?? [],
            'tellsAuthors' => $this->tellsAuthors($item),
            'chunk' => self::LINES,
            'wish' => $this->wish($item),
            ...($sheet === null ? $this->blocks($this->person($request), $item, $kind, $comparison, $address, $states) : []),
        ]);
    }

    /** @return array<string, mixed> what a view of a document or a page needs of it */
    private function blocks(User $person, Item $item, Kind $kind, Comparison $comparison, HistoryAddress $address, States $states): array
    {
        $page = $kind->beside() !== null;
        if ($item->kind === 'entry') {
            $was = $address->view === 'was';

            return ['answers' => FormRows::flat($was ? Blocks::plain($kind, $comparison->old) : Blocks::compared($kind, $comparison), ! $was && $address->rows === 'changed' && $address->from !== $address->to)];
        }
        if ($item->kind === 'report') {
            // Readers see no data that is newer than what was published for them.
            $data = $this->data->of($item, $person);

            return $address->view === 'was'
                ? ['report' => new ReportView($comparison->old, $address->show === 'today' ? $data : $data->at($comparison->from->saved_at)), 'fromLive' => $this->wasLive($item, $address->from)]
                : ['compared' => new ReportCompared($comparison, $data->at($comparison->from->saved_at), $address->to === $item->head ? $data : $data->at($comparison->to->saved_at), $this->words)];
        }
        if ($item->kind === 'dataset') {
            return ['data' => new DatasetCompared($comparison, $address->view === 'was', $address->rows === 'all')];
        }
        if ($item->kind === 'form' && $address->layout !== 'source') {
            $was = $address->view === 'was';

            return [
                'form' => new FormRows($was ? Blocks::plain($kind, $comparison->old) : Blocks::compared($kind, $comparison), ! $was && $address->rows === 'changed'),
                'flow' => new FlowMap($comparison->old, $was ? $comparison->old : $comparison->new),
                'fromLive' => $was ? $this->wasLive($item, $address->from) : null,
            ];
        }
        $pieces = $page ? null : new Pieces($address->piece);
        if ($address->view === 'who' && $this->tellsAuthors($item)) {
            $written = new Authorship($item, $comparison->to, $comparison->new, $states);

            return ['written' => $written, 'blocks' => Blocks::written($kind, $comparison->new, $written, $pieces), 'pieces' => $pieces];
        }
        if ($address->view === 'was') {
            return $page
                ? ['page' => new PageHtml($comparison->old, fn (string $chunk) => route('picture', [$item, $chunk])), 'fromLive' => $this->wasLive($item, $address->from)]
                : ['blocks' => Blocks::plain($kind, $comparison->old, $pieces), 'pieces' => $pieces];
        }

        return $address->layout === 'source'
            ? ['source' => new SourceView($kind, $comparison->old, $comparison->new)]
            : [
                'blocks' => Blocks::compared($kind, $comparison, $pieces),
                'pieces' => $pieces,
                'earlier' => $comparison->old,
                ...($page && $address->layout === 'side' ? ['earlierBlocks' => Blocks::earlier($kind, $comparison)] : []),
                ...($page && $address->layout === 'together' ? ['map' => new PageMap($comparison)] : []),
            ];
    }

    /** Whether there is a view of who wrote what; readers are not told who wrote the drafts. */
    private function tellsAuthors(Item $item): bool
    {
        return in_array($item->kind, ['spreadsheet', 'document', 'page'], true) && $item->sight === null;
    }

    /** Since when and until when readers saw a version, in words. */
    private function wasLive(Item $item, int $number): ?string
    {
        $publishing = $item->publishings()->whereNotNull('count')->whereRelation('version', 'number', $number)->orderByDesc('count')->first();

        return $publishing?->decided_at === null ? null : (string) __($publishing->ended_at === null ? 'publishing.live_since' : 'publishing.live_until', [
            'since' => $publishing->decided_at->format('j M Y'), 'until' => $publishing->ended_at?->format('j M Y') ?? '',
        ]);
    }

    /** The wish to publish that waits for a yes, for those who may give it and for who asked. */
    private function wish(Item $item): ?Publishing
    {
        return ! $item->isPublishable() || (Gate::denies('publish', $item) && Gate::denies('draft', $item)) ? null
            : $item->publishings()->waiting()->with('user', 'version')->first()?->setRelation('item', $item);
    }

    /** Further lines of a table. */
    public function lines(LinesRequest $request, Item $item, States $states, Phrases $phrases): View
    {
        abort_unless($item->kind === 'spreadsheet', 404);
        $start = (int) $request->validated('start');
        $address = HistoryAddress::read($request, $item, fn () => $item->head);
        [$from, $to] = [$this->version($item, $address->from), $this->version($item, $address->to)];

        return view('history.lines', [
            'sheet' => $this->sheet(new Comparison($item, $from, $to, $states, $phrases, whole: $address->showsAll($item)), $states, $address),
            'authors' => $address->view === 'who' ? new SheetAuthors($item, $to) : null,
            'address' => $address,
            'start' => $start,
            'chunk' => self::LINES,
        ]);
    }

    private function sheet(Comparison $comparison, States $states, HistoryAddress $address): SheetView
    {
        return new SheetView($comparison, $states, $address->tab, $address->rows === 'all', $address->show === 'formulas', $address->view);
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

        return view('list', ['item' => $item, 'since' => $only === 'published' ? $this->sincePublished($item, $versions->getCollection(), $phrases) : [], 'page' => $versions, 'sittings' => $sittings, 'only' => $only, 'phrases' => $phrases, 'steps' => fn (Version $version): array => [...$version->accepted->map(fn ($proposal) => __('agreeing.accepted', ['decider' => (string) $proposal->decider?->firstName()]).($proposal->word === null ? '' : ": “{$proposal->word}”"))->all(), ...($item->isPublishable() ? PublishingWords::of($version) : [])]]);
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
        return $phrases->inOneLine(array_map(fn (Entry $entry) => $entry->statement, (new Comparison($to->item, $from, $to, $this->states, $phrases))->entries));
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
