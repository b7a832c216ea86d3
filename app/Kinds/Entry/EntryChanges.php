<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Models\Cause;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\User;
use App\Models\Version;
use App\Restoring\SomebodysEdits;
use App\Restoring\TakeOutEdits;
use App\Store\States;
use App\View\Phrases;
use App\View\Plans\TakeOutPlan;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Telling\Detail;
use MistyAttic\Core\Compare\Telling\Statements;
use MistyAttic\Core\Kinds\Kinds;

/** Everything that one person changed in the entries of a form in a time and that was not taken out yet, an entry a line. */
final class EntryChanges
{
    private const A_PAGE = 100;

    /** The most versions of one entry that are told one by one. */
    private const MOST_TOLD = 20;

    /** @var LengthAwarePaginator<int, \stdClass> */
    public LengthAwarePaginator $page;

    /** @var list<array{entry: Item, from: int, to: int, sentences: list<string>, stays: list<array{string, string}>, waits: bool, at: CarbonImmutable}> */
    public array $lines = [];

    /**
     * @param  CarbonImmutable|null  $since  from then on
     * @param  CarbonImmutable|null  $until  and before then
     */
    public function __construct(
        private readonly Item $form,
        public readonly User $author,
        public readonly ?CarbonImmutable $since,
        public readonly ?CarbonImmutable $until,
    ) {}

    /** Reads a page of them: what each change was, and what of it would stay. */
    public function read(User $person, States $states, TakeOutEdits $takeOut, Phrases $phrases): self
    {
        $this->page = $this->query()->orderByDesc('at')->orderBy('item_id')->paginate(self::A_PAGE)->withQueryString();
        $entries = Item::query()->whereIn('id', array_column($this->page->items(), 'item_id'))->get()->keyBy('id');
        $waits = Proposal::query()
            ->waiting()
            ->where('user_id', $person->id)
            ->whereIn('item_id', $entries->keys())
            ->pluck('item_id')
            ->flip();
        foreach ($this->page as $row) {
            $entry = $entries->get($row->item_id)?->setRelation('form', $this->form)->setRelation('shelf', $this->form->shelf);
            if ($entry === null) {
                continue;
            }
            [$from, $to] = [(int) $row->first - 1, (int) $row->last];
            $merged = $takeOut->rehearse($entry, new SomebodysEdits($this->author, $from, $to));
            $this->lines[] = [
                'entry' => $entry, 'from' => $from, 'to' => $to, 'sentences' => $this->sentences($entry, $from, $to, $states, $phrases),
                'stays' => $merged === null ? [] : (new TakeOutPlan($entry, $states->tree($entry->root), $merged, $phrases))->stays,
                'waits' => $waits->has($entry->id), 'at' => CarbonImmutable::parse((string) $row->at),
            ];
        }

        return $this;
    }

    /**
     * The next of them by their entries' ids, to be taken out in pieces.
     *
     * @return list<array{int, int, int}> id of the entry, from, to
     */
    public function next(int $after, int $most): array
    {
        return array_values(
            array_map(
                fn (\stdClass $row) => [(int) $row->item_id, (int) $row->first - 1, (int) $row->last],
                $this->query()->where('versions.item_id', '>', $after)->orderBy('item_id')->limit($most)->get()->all(),
            ),
        );
    }

    public function count(): int
    {
        return DB::query()->fromSub($this->query(), 'lines')->count();
    }

    /** @return list<string> all that a person did to an entry, version by version */
    private function sentences(Item $entry, int $from, int $to, States $states, Phrases $phrases): array
    {
        $kind = Kinds::named($entry->kind);
        $versions = Version::query()
            ->where('item_id', $entry->id)
            ->where('number', '>=', $from)
            ->where('number', '<=', $to)
            ->orderBy('number')
            ->get(['number', 'root', 'user_id'])
            ->keyBy('number');
        $said = [];
        foreach (
            $versions->where('user_id', $this->author->id)->where('number', '>', $from)->take(self::MOST_TOLD) as $number => $version
        ) {
            [$old, $new] = [$states->tree((string) $versions->get($number - 1)?->root), $states->tree($version->root)];
            array_push(
                $said,
                ...array_map($phrases->statement(...), Statements::of($kind, $old, $new, TreeCompare::of($old, $new), Detail::Listed)),
            );
        }

        return $said;
    }

    /**
     * Those who changed entries, with how many; who did so last comes first.
     *
     * @return list<array{User, int}>
     */
    public static function editors(Item $form): array
    {
        $counts = DB::table('versions')
            ->join('items', 'items.id', '=', 'versions.item_id')
            ->where('items.form_id', $form->id)
            ->where('versions.number', '>', 1)
            ->groupBy('versions.user_id')
            ->orderByRaw('MAX(versions.id) DESC')
            ->selectRaw('versions.user_id AS id, COUNT(DISTINCT versions.item_id) AS count')
            ->pluck('count', 'id');
        $order = array_flip($counts->keys()->all());

        return array_values(
            User::query()
                ->whereIn('id', $counts->keys())
                ->get()
                ->sortBy(fn (User $user) => $order[$user->id])
                ->map(fn (User $user) => [$user, (int) $counts[$user->id]])
                ->all(),
        );
    }

    /**
     * One row an entry. The first version of an entry is what was sent, and no change; what was taken out already, and not brought back
     * since, is none any more.
     */
    private function query(): Builder
    {
        return DB::table('versions')
            ->join('items', 'items.id', '=', 'versions.item_id')
            ->where('items.form_id', $this->form->id)
            ->whereNull('items.deleted_at')
            ->where('versions.user_id', $this->author->id)
            ->where('versions.number', '>', 1)
            ->when(
                $this->since,
                fn ($query, CarbonImmutable $since) => $query->where('versions.saved_at', '>=', $since->format('Y-m-d H:i:s')),
            )
            ->when(
                $this->until,
                fn ($query, CarbonImmutable $until) => $query->where('versions.saved_at', '<', $until->format('Y-m-d H:i:s')),
            )
            ->whereNotExists(
                fn ($out) => $out
                    ->from('versions AS o')
                    ->whereColumn('o.item_id', 'versions.item_id')
                    ->where('o.cause', Cause::TookOut)
                    ->whereColumn('o.number', '>', 'versions.number')
                    ->whereRaw(
                        "json_extract(o.facts, '$.author') = versions.user_id AND json_extract(o.facts, '$.from') < versions.number AND json_extract(o.facts, '$.to') >= versions.number",
                    )
                    ->whereNotExists(
                        fn ($back) => $back
                            ->from('versions AS b')
                            ->whereColumn('b.item_id', 'o.item_id')
                            ->whereColumn('b.number', '>', 'o.number')
                            ->whereIn('b.cause', [Cause::Restored, Cause::TookBack]),
                    ),
            )
            ->groupBy('versions.item_id')
            ->selectRaw(
                'versions.item_id AS item_id, MIN(versions.number) AS first, MAX(versions.number) AS last, MAX(versions.saved_at) AS at',
            );
    }
}
