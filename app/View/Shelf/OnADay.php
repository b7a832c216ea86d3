<?php

declare(strict_types=1);

namespace App\View\Shelf;

use App\Models\Item;
use App\Models\Removal;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Past\ShelfThen;
use App\View\Phrases;
use App\Words\Clock;
use App\Words\Days;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * A shelf as it was at a moment, and what became of its items until another one: told of a page of them, in as many queries whatever their
 * number.
 */
final class OnADay
{
    /** Items of a page, and of what is the same or came since. */
    public const PAGE = 60;

    public const BESIDE = 200;

    /** Sentences of an item. */
    private const SENTENCES = 3;

    /** @var list<DayRow> there then, and otherwise now or not there any more; the latest change first */
    public readonly array $changed;

    /** @var list<DayRow> there now and not then */
    public readonly array $since;

    /** @var list<DayRow> the same in both */
    public readonly array $same;

    /** How many items there were. */
    public readonly int $count;

    /** How many pages of changed ones there are. */
    public readonly int $pages;

    private readonly ShelfThen $shelf;

    public function __construct(
        Shelf $shelf,
        User $person,
        public readonly CarbonImmutable $moment,
        public readonly ?CarbonImmutable $until = null,
        public readonly int $page = 1,
    ) {
        $this->shelf = new ShelfThen($shelf, $person);
        [$then, $now] = [$this->shelf->numbers($moment), $this->shelf->numbers($until)];
        $ids = array_keys($then + $now);
        // As it is kept: reading it as a date takes a hundred times as long.
        $changedAt = $this->shelf->items->map(fn (Item $item) => (string) $item->getRawOriginal('changed_at'))->all();
        usort($ids, fn (int $one, int $two) => $changedAt[$two] <=> $changedAt[$one] ?: $two <=> $one);
        $rows = array_map(fn (int $id): array => [$id, $then[$id] ?? 0, $now[$id] ?? 0], $ids);
        $changed = array_values(array_filter($rows, fn (array $row) => $row[1] > 0 && $row[1] !== $row[2]));
        $this->count = count($then);
        $this->pages = max(1, (int) ceil(count($changed) / self::PAGE));
        $this->changed = $this->told(array_slice($changed, ($page - 1) * self::PAGE, self::PAGE));
        $this->same = $this->told(
            array_slice(array_values(array_filter($rows, fn (array $row) => $row[1] > 0 && $row[1] === $row[2])), 0, self::BESIDE),
        );
        $this->since = $this->told(array_slice(array_values(array_filter($rows, fn (array $row) => $row[1] === 0)), 0, self::BESIDE));
    }

    /**
     * @param  list<array{int, int, int}>  $rows  item, and its versions at both ends; 0 where it was not on the shelf
     * @return list<DayRow>
     */
    private function told(array $rows): array
    {
        if ($rows === []) {
            return [];
        }
        $versions = $this->versions(array_merge(...array_map(fn (array $row) => [[$row[0], $row[1]], [$row[0], $row[2]]], $rows)));
        $told = [];
        foreach ($rows as [$id, $then, $now]) {
            $told[$id] = new DayRow(
                $this->shelf->item($id),
                $this->called($versions[$id][$then] ?? null, $this->moment),
                $this->called($versions[$id][$now] ?? null, $this->until),
                $then > 0 && $now > 0 ? null : $this->fate($this->shelf->item($id), $now > 0),
            );
        }
        // Readers are not told what happened to drafts in between.
        $this->tell(
            $told,
            array_values(
                array_filter($rows, fn (array $row) => $row[1] !== $row[2] && ! $this->shelf->isReadOnly($this->shelf->item($row[0]))),
            ),
        );

        return array_values($told);
    }

    /** A version as it was called for readers, where somebody is one. */
    private function called(?Version $version, ?CarbonImmutable $moment): ?Version
    {
        $live = $version === null || ! $this->shelf->isReadOnly($version->item) ? null : $this->shelf->live($version->item, $moment);
        if ($version === null || $live === null) {
            return $version;
        }
        $called = clone $version;
        $called->title = $live->title;

        return $called;
    }

    /**
     * @param  list<array{int, int}>  $ends  item and number
     * @return array<int, array<int, Version>>
     */
    private function versions(array $ends): array
    {
        $found = [];
        foreach (Version::query()->numbered($ends)->get() as $version) {
            $found[$version->item_id][$version->number] = $version->setRelation('item', $this->shelf->item($version->item_id));
        }

        return $found;
    }

    /** What happened to an item as a whole, which explains why it is there or not. */
    private function fate(Item $item, bool $isThere): ?string
    {
        $last = $this->shelf->lastFate($item, $this->moment, $this->until);
        if ($last === null) {
            return null;
        }
        $key = $last instanceof Removal ? ($last->back ? 'found' : 'deleted') : ($isThere ? 'came' : 'moved');

        return (string) __("day.{$key}", ['by' => $last->user->firstName(), 'date' => Days::ofYear(Clock::at($last->at))]);
    }

    /**
     * The most telling sentences of the versions in between, and who made them.
     *
     * @param  array<int, DayRow>  $told
     * @param  list<array{int, int, int}>  $rows
     */
    private function tell(array $told, array $rows): void
    {
        // Of what is gone by the later moment, all until it went counts.
        $ranges = json_encode(
            array_map(fn (array $row) => [$row[0], $row[1], $row[2] === 0 ? $this->shelf->item($row[0])->head : $row[2]], $rows),
        );
        $between
            = 'FROM json_each(?) AS ranges JOIN versions ON versions.item_id = (ranges.value ->> 0) AND versions.number > (ranges.value ->> 1) AND versions.number <= (ranges.value ->> 2)';
        $counts = DB::select("SELECT versions.item_id, user_id, COUNT(*) AS versions {$between} GROUP BY versions.item_id, user_id", [
            $ranges,
        ]);
        $users = User::query()->whereIn('id', array_unique(array_column($counts, 'user_id')))->orderBy('id')->get()->keyBy('id');
        foreach ($counts as $count) {
            $row = $told[(int) $count->item_id];
            $row->versions += (int) $count->versions;
            ($editor = $users->get($count->user_id)) === null || $row->editors[] = $editor;
        }
        $most = DB::select(
            "SELECT * FROM (SELECT versions.id, ROW_NUMBER() OVER (PARTITION BY versions.item_id ORDER BY unusual IS NULL, added + removed DESC, number DESC) AS place {$between}) WHERE place <= ?",
            [$ranges, self::SENTENCES],
        );
        $phrases = new Phrases;
        foreach (
            Version::query()
                ->with('item.origin.item')
                ->whereKey(array_map(fn (stdClass $row) => $row->id, $most))
                ->orderByDesc('number')
                ->get() as $version
        ) {
            $unusual = $version->unusual === null || $version->meant_user_id !== null ? null : $phrases->unusual($version->unusual);
            $told[$version->item_id]->said[] = [$unusual ?? $phrases->version($version), $unusual !== null];
        }
    }
}
