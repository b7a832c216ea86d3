<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\Publishing;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\View\Finding\Asked;
use App\View\Finding\Finds;
use App\View\Finding\Within;
use App\View\Proposals\OpenProposals;
use App\View\Sources\Files;
use App\View\Talk\Talk;
use App\View\Talk\TalkPage;
use App\View\Versions\SuggestedName;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

/** What the history of an item shows of two versions, and what can be done from there. */
final readonly class HistoryPage
{
    public function __construct(private States $states, private Phrases $phrases) {}

    /** @return array<string, mixed> */
    public function of(LookedAt $at): array
    {
        $past = $at->item->room(Past::class);
        $shown = $past->of($at);
        // What came by its part goes on from the tab and the piece of it.
        $at = $at->by($shown['address'] ?? $at->address->showing($at->address->tab, ($shown['pieces'] ?? null)->shown ?? 1));
        $changes = $this->changes($at, $past);

        return [
            'item' => $at->item,
            'kind' => $at->kind,
            'from' => $at->comparison->from,
            'to' => $at->comparison->to,
            'comparison' => $at->comparison,
            'past' => $past,
            'phrases' => $this->phrases,
            'tellsAuthors' => $past->tellsAuthors($at),
            'switches' => $past->switches($at),
            ...$changes,
            'leads' => $past->leads(array_slice($changes['listed'], 0, Comparison::MOST_LISTED), $at, $shown),
            ...$this->said($at),
            ...$this->ways($at),
            ...$shown,
            'address' => $at->address,
        ];
    }

    /** @return array{listed: list<ChangeLine>, ...} the list of what changed, and what is to know beside it */
    private function changes(LookedAt $at, Past $past): array
    {
        [$item, $from, $to] = [$at->item, $at->comparison->from, $at->comparison->to];
        $listed = array_values(array_filter($at->comparison->entries, $at->address->shows(...)));

        return [
            'listed' => $listed,
            'asides' => $past->asides($item, array_slice($listed, 0, Comparison::MOST_LISTED), 'out_of_sight'),
            'editors' => $this->editorsBetween($item, $at->address),
            'cameAndWent' => new CameAndWent($item, $at->comparison),
            'unusual' => $item->sight === null && $to->meant_user_id === null && $from->number < $to->number
                ? $this->phrases->unusual($to->unusual)
                : null,
            'together' => $to->with_id === null || $item->sight !== null
                ? new Collection
                : Version::query()->with('item.shelf.memberships')->where('with_id', $to->with_id)->where('id', '!=', $to->id)->get(),
            'spots' => $at->address->words === ''
                ? []
                : (new Finds(new Asked($at->address->words), new Within($at->person, $item), $this->states))->spots(),
        ];
    }

    /** @return array<string, mixed> what was said and proposed */
    private function said(LookedAt $at): array
    {
        [$item, $talks] = [$at->item, Gate::allows('talk', $at->item)];

        return [
            'slips' => $talks ? $this->slips($at) : null,
            'stood' => $talks && $at->asItWas() ? (new OpenProposals($item, $at->address->from))->all->count() : 0,
            'noted' => $talks && ($item->talked > 0 || $item->proposals()->exists()) ? $item->room(Files::class)->noted() : [],
        ];
    }

    /** @return array<string, mixed> what can be done from there */
    private function ways(LookedAt $at): array
    {
        [$item, $from, $to] = [$at->item, $at->comparison->from, $at->comparison->to];

        return [
            'suggested' => Gate::denies('write', $item)
                ? []
                : collect([$from, $to])
                    ->unique('number')
                    ->mapWithKeys(fn (Version $end): array => [$end->number => SuggestedName::for($end, $this->phrases)])
                    ->all(),
            'parts' => Gate::allows('draft', $item) ? route('item', $item).'/parts' : null,
            'back' => Gate::allows('restore', $item) ? route('restore', [$item, $from->number]) : null,
            'itsHistory' => __('history.its_history'),
            'of' => [],
            'formats' => $item->room(Files::class)->named(),
            'tracked' => $item->room(Files::class)->tracked(),
            'publishing' => $this->publishing($item, $to),
            'wish' => $this->wish($item),
        ];
    }

    /** @return array<string, mixed> what was said about it, as it stood */
    private function slips(LookedAt $at): array
    {
        [$item, $address] = [$at->item, $at->address];
        [$number, $since]
            = $address->view === 'was' ? [$address->from, null] : [$address->to, $address->from < $address->to ? $address->from : null];

        return [
            ...TalkPage::seen(
                $item,
                new Talk($item, $number, $since),
                $number === $item->head,
                $since,
                tree: $at->asItWas() ? $at->comparison->old : $at->comparison->new,
            ),
            'at' => $number,
        ];
    }

    /** The wish to publish that waits for a yes, for those who may give it and for who asked. */
    private function wish(Item $item): ?Publishing
    {
        return ! $item->isPublishable() || (Gate::denies('publish', $item) && Gate::denies('draft', $item)) ? null
            : $item->publishings()->waiting()->with('user', 'version')->first()?->setRelation('item', $item);
    }

    /** The word for publishing an earlier version, or for asking to; null where there is no doing so. */
    private function publishing(Item $item, Version $version): ?string
    {
        $can = $item->isPublishable()
        && $item->sight === null
        && $version->number !== $item->head
        && $item->live?->version_id !== $version->id;

        return match (true) {
            $can && Gate::allows('publishNow', [$item, $version->number]) => (string) __('publishing.of_version.now'),
            $can && Gate::allows('askToPublish', $item) => (string) __('publishing.of_version.ask'),
            default => null,
        };
    }

    /** @return Collection<int, User> everybody who made a version between the ends */
    private function editorsBetween(Item $item, HistoryAddress $address): Collection
    {
        return User::query()
            ->whereIn(
                'id',
                DB::table('versions')
                    ->where('item_id', $item->id)
                    ->where('number', '>', $address->from)
                    ->where('number', '<=', $address->to)
                    ->distinct()
                    ->pluck('user_id'),
            )
            ->orderBy('id')
            ->get();
    }
}
