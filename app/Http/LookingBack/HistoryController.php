<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\View\CameAndWent;
use App\View\Finding\Asked;
use App\View\Finding\Finds;
use App\View\Finding\Within;
use App\View\HistoryAddress;
use App\View\LookedAt;
use App\View\Past;
use App\View\Phrases;
use App\View\Proposals\OpenProposals;
use App\View\Sources\Files;
use App\View\SuggestedName;
use App\View\Talk\Talk;
use App\View\Talk\TalkPage;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\History\Sittings;

/** Two versions of an item looked at: the earlier as it was, what changed between them, and who wrote what. */
final class HistoryController extends Controller
{
    public function show(Request $request, Item $item, Phrases $phrases, States $states): View
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
            'listed' => array_values(array_filter($comparison->entries, $address->shows(...))),
            'suggested' => Gate::denies('write', $item) ? [] : collect([$from, $to])->unique('number')->mapWithKeys(fn (Version $end): array => [$end->number => SuggestedName::for($end, $phrases)])->all(),
            'editors' => $this->editorsBetween($item, $address),
            'cameAndWent' => new CameAndWent($item, $comparison),
            'slips' => $this->slips($item, $address, $address->view === 'was' ? $comparison->old : $comparison->new),
            'stood' => $address->view !== 'was' || Gate::denies('talk', $item) ? 0 : (new OpenProposals($item, $address->from))->all->count(),
            'phrases' => $phrases,
            'spots' => $address->words === '' ? [] : (new Finds(new Asked($address->words), new Within($this->person($request), $item), $states))->spots(),
            'parts' => Gate::allows('draft', $item) ? route('item', $item).'/parts' : null,
            'back' => Gate::allows('restore', $item) ? route('restore', [$item, $from->number]) : null,
            'itsHistory' => __('history.its_history'),
            'past' => $past,
            'of' => [],
            'formats' => $item->room(Files::class)->named(),
            'noted' => Gate::allows('talk', $item) && ($item->talked > 0 || $item->proposals()->exists()) ? $item->room(Files::class)->noted() : [],
            'tracked' => $item->room(Files::class)->tracked(),
            'tellsAuthors' => $past->tellsAuthors($at),
            'switches' => $past->switches($at),
            'wish' => $this->wish($item),
            'together' => $to->with_id === null || $item->sight !== null ? new Collection : Version::query()->with('item.shelf.memberships')->where('with_id', $to->with_id)->where('id', '!=', $to->id)->get(),
            ...$past->of($at),
        ]);
    }

    /** @return array<string, mixed>|null what was said about it, as it stood; null for those who are told of none of it */
    private function slips(Item $item, HistoryAddress $address, PartTree $tree): ?array
    {
        [$at, $since] = $address->view === 'was' ? [$address->from, null] : [$address->to, $address->from < $address->to ? $address->from : null];

        return Gate::denies('talk', $item) ? null : [...TalkPage::seen($item, new Talk($item, $at, $since), $at === $item->head, $since, tree: $tree), 'at' => $at];
    }

    /** The wish to publish that waits for a yes, for those who may give it and for who asked. */
    private function wish(Item $item): ?Publishing
    {
        return ! $item->isPublishable() || (Gate::denies('publish', $item) && Gate::denies('draft', $item)) ? null
            : $item->publishings()->waiting()->with('user', 'version')->first()?->setRelation('item', $item);
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
