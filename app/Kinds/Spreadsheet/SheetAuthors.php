<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\Store\Writers;
use App\Words\Days;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;

/**
 * Who wrote which cell of a spreadsheet last, and when; from the index of touches, and for rows and columns that came back from what stood
 * in them before.
 */
final class SheetAuthors
{
    /** Steps of age, in days. */
    public const AGES = [1, 7, 30, 90];

    /** Versions of which it is read what they removed or brought again; of others whoever brought it again is there. */
    private const MOST_READ = 32;

    /** @var Collection<int, object{user_id: int, saved_at: string, source: int|null, taken_out: int|null}> by number */
    private Collection $versions;

    /** @var Collection<int, User> */
    private Collection $users;

    private CarbonImmutable $until;

    private int $number;

    private readonly Writers $writers;

    /**
     * @var array<string, array<string, array{int, int}>> version and who is left out => row/column, or row => the version up to it that
     *     wrote it last, and by whom
     */
    private array $last = [];

    /** @var array<string, array<int, int>>|null row or column that was removed once => version => what it did with it */
    private ?array $removed = null;

    /**
     * @var array<int, array{int, array<string, Part>, array<string, Part>}> version => the one before it, and the parts that differ between
     *     the two as they were and as they became
     */
    private array $steps = [];

    public function __construct(private readonly Item $item, Version $until, private readonly States $states)
    {
        $this->until = $until->saved_at;
        $this->number = $until->number;
        /** @var Collection<int, object{user_id: int, saved_at: string, source: int|null, taken_out: int|null}> $versions */
        $versions = DB::table('versions')->where('item_id', $item->id)->where('number', '<=', $until->number)
            ->get(['number', 'user_id', 'saved_at', 'source', DB::raw('json_extract(facts, \'$.author\') AS taken_out')])->keyBy('number');
        $this->versions = $versions;
        $this->writers = new Writers($item);
        $this->users = Writers::people([
            ...$versions->pluck('user_id')->unique(),
            ...DB::table('touches')->where('item_id', $item->id)->distinct()->pluck('user_id'),
        ]);
    }

    /**
     * The last version up to a number that wrote each cell; a row that came brought its cells, one that moved wrote none.
     *
     * @param  int  $without  a person whose versions are left out, 0 for nobody
     * @return array<string, array{int, int}> the version, and who wrote
     */
    private function last(int $number, int $without = 0): array
    {
        if (! isset($this->last["{$number} {$without}"])) {
            $touches = DB::table('touches')
                ->where('item_id', $this->item->id)
                ->where('number', '<=', $number)
                ->where('user_id', '!=', $without)
                ->where(fn ($query) => $query->where('part', 'like', '%/%')->orWhereRaw('what & 1 = 1'))
                ->groupBy('part')->selectRaw('part, MAX(number) AS number, user_id')->get();
            // The other columns are those of the row that has it (SQLite, “Bare columns in an aggregate query”).
            $this->last["{$number} {$without}"] = $touches
                ->mapWithKeys(
                    fn (\stdClass $row) => [
                        (string) $row->part => [
                            (int) $row->number,
                            $this->writers->of((string) $row->part, (int) $row->number, (int) $row->user_id),
                        ],
                    ],
                )
                ->all();
        }

        return $this->last["{$number} {$without}"];
    }

    /**
     * How many cells that hold something each person wrote, the most first; of a table that is too large to read whole only who they are.
     *
     * @return list<array{User, int|null}>
     */
    public function counts(?PartTree $tree): array
    {
        if ($tree === null) {
            return array_map(fn (User $user) => [$user, null], array_values($this->users->all()));
        }
        $counts = [];
        foreach ($tree->parts as $part) {
            foreach ($part->role === 'row' ? $part->fields : [] as $column => $value) {
                $author = Cell::bare($value) === null ? null : $this->wrote($part->id, (string) $column)[1] ?? null;
                if ($author !== null) {
                    $counts[$author] = ($counts[$author] ?? 0) + 1;
                }
            }
        }
        arsort($counts);

        return array_map(fn (int $id) => [$this->person($id) ?? new User, $counts[$id]], array_keys($counts));
    }

    private function person(int $number): ?User
    {
        return $this->users->get($number) ?? Writers::people([$number])->get($number);
    }

    public function of(string $row, string $column): CellAuthor
    {
        $wrote = $this->wrote($row, $column);
        if ($wrote === null) {
            return new CellAuthor(null, count(self::AGES), '');
        }
        $at = CarbonImmutable::parse($wrote[0]->saved_at);
        $days = (int) $at->diffInDays($this->until, true);
        $user = $this->person($wrote[1]);

        return new CellAuthor(
            $user,
            count(array_filter(self::AGES, fn (int $most) => $days >= $most)),
            $user?->firstName().', '.Days::short($at),
        );
    }

    /**
     * Who brings something back, or takes out what was written over it, has not written it: whoever did is there.
     *
     * @return array{object{user_id: int, saved_at: string}, int}|null the version, and who wrote
     */
    private function wrote(string $row, string $column): ?array
    {
        for ([$until, $without] = [$this->number, 0]; ; $until = $source) {
            $last = $this->last($until, $without);
            [$number, $writer] = max($last["{$row}/{$column}"] ?? [0, 0], $last[$row] ?? [0, 0]);
            $version = $number === 0 ? null : $this->versions->get($number);
            [$source, $without] = $version?->taken_out === null ? [$version?->source, 0] : [$number - 1, $version->taken_out];
            $source ??= $this->stood($row, $column, $number);
            if ($version === null || $source === null || $source >= $number) {
                return $version === null ? null : [$version, $writer];
            }
        }
    }

    /**
     * The version in which a cell stood as it is, before its row or its column was removed that came back with another: undone, or by an
     * edit that was held back.
     */
    private function stood(string $row, string $column, int $number): ?int
    {
        $gone = $this->goneBefore($row, $number) ?? $this->goneBefore($column, $number);
        if ($gone === null) {
            return null;
        }
        [[$before, $stood], [, , $came]] = [$this->step($gone), $this->step($number)];
        [$was, $is] = array_map(
            fn (?Part $of): mixed => Cell::formula($of?->fields[$column] ?? null) ?? Cell::bare($of?->fields[$column] ?? null),
            [$stood[$row] ?? null, $came[$row] ?? null],
        );

        return $was !== null && $was === $is ? $before : null;
    }

    /** @return int|null the version that removed a row or a column, which came again with this one */
    private function goneBefore(string $part, int $number): ?int
    {
        if ($this->removed === null) {
            $this->removed = [];
            $bits = ChangeType::Added->bit() | ChangeType::Removed->bit();
            $removed = DB::table('touches')
                ->where('item_id', $this->item->id)
                ->whereRaw('what & ? != 0', [ChangeType::Removed->bit()])
                ->select('part');
            foreach (
                DB::table('touches')
                    ->where('item_id', $this->item->id)
                    ->whereIn('part', $removed)
                    ->whereRaw('what & ? != 0', [$bits])
                    ->orderBy('number')
                    ->get(['part', 'number', 'what']) as $touch
            ) {
                $this->removed[(string) $touch->part][(int) $touch->number] = (int) $touch->what;
            }
        }
        if ((($this->removed[$part][$number] ?? 0) & ChangeType::Added->bit()) === 0) {
            return null;
        }
        $earlier = array_keys(
            array_filter(
                $this->removed[$part],
                fn (int $what, int $at) => $at < $number && ($what & ChangeType::Removed->bit()) !== 0,
                ARRAY_FILTER_USE_BOTH,
            ),
        );

        return $earlier === [] ? null : max($earlier);
    }

    /** @return array{int, array<string, Part>, array<string, Part>} see {@see $steps}: what is read is what differs */
    private function step(int $number): array
    {
        if (! isset($this->steps[$number])) {
            $before = (int) $this->versions->keys()->filter(fn (int $other) => $other < $number)->max();
            $roots = count($this->steps) < self::MOST_READ
                ? Version::query()
                    ->where('item_id', $this->item->id)
                    ->whereIn('number', [$before, $number])
                    ->pluck('root', 'number')
                    ->all()
                : [];
            $differs = isset($roots[$before], $roots[$number]) ? $this->states->compare($roots[$before], $roots[$number]) : [];
            $byId = fn (string $side): array => array_column(array_merge([], ...array_column($differs, $side)), null, 'id');
            $this->steps[$number] = [$before, $byId('old'), $byId('new')];
        }

        return $this->steps[$number];
    }
}
