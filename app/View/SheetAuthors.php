<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** Who wrote which cell of a spreadsheet last, and when; from the index of touches alone. */
final readonly class SheetAuthors
{
    /** Steps of age, in days. */
    public const AGES = [1, 7, 30, 90];

    /** @var array<string, int> row/column, or row => the version that wrote it last */
    private array $numbers;

    /** @var Collection<int, object{user_id: int, saved_at: string}> by number */
    private Collection $versions;

    /** @var Collection<int, User> */
    private Collection $users;

    private CarbonImmutable $until;

    public function __construct(Item $item, Version $until)
    {
        $this->until = $until->saved_at;
        $this->numbers = self::beyondRestores($item, self::last($item, $until->number));
        /** @var Collection<int, object{user_id: int, saved_at: string}> $versions */
        $versions = DB::table('versions')->where('item_id', $item->id)->where('number', '<=', $until->number)->get(['number', 'user_id', 'saved_at'])->keyBy('number');
        $this->versions = $versions;
        $this->users = User::query()->whereIn('id', $versions->pluck('user_id')->unique())->get()->keyBy('id');
    }

    /**
     * The last version up to a number that wrote each cell; a row that came brought its cells, one that moved wrote none.
     *
     * @return array<string, int>
     */
    private static function last(Item $item, int $number): array
    {
        $touches = DB::table('touches')->where('item_id', $item->id)->where('number', '<=', $number)
            ->where(fn ($query) => $query->where('part', 'like', '%/%')->orWhereRaw('what & 1 = 1'))
            ->groupBy('part')->selectRaw('part, MAX(number) AS number')->get();
        $last = [];
        foreach ($touches as $touch) {
            $last[(string) $touch->part] = (int) $touch->number;
        }

        return $last;
    }

    /**
     * Who brings something back has not written it: the version that was brought back tells who did.
     *
     * @param  array<string, int>  $numbers
     * @return array<string, int>
     */
    private static function beyondRestores(Item $item, array $numbers): array
    {
        $sources = Version::query()->where('item_id', $item->id)->whereNotNull('source')->orderByDesc('number')->pluck('source', 'number');
        foreach ($sources as $number => $source) {
            $brought = array_keys($numbers, (int) $number, true);
            $before = $brought === [] ? [] : self::last($item, (int) $source);
            foreach ($brought as $part) {
                $numbers[$part] = $before[$part] ?? $numbers[$part];
            }
        }

        return $numbers;
    }

    public function of(string $row, string $column): ?User
    {
        $version = $this->version($row, $column);

        return $version === null ? null : $this->users->get($version->user_id);
    }

    /** 0 for the newest step of age, count(AGES) for the oldest. */
    public function age(string $row, string $column): int
    {
        $version = $this->version($row, $column);
        $days = $version === null ? PHP_INT_MAX : (int) CarbonImmutable::parse($version->saved_at)->diffInDays($this->until, true);

        return count(array_filter(self::AGES, fn (int $most) => $days >= $most));
    }

    public function words(string $row, string $column): string
    {
        $version = $this->version($row, $column);

        return $version === null ? '' : $this->users->get($version->user_id)?->firstName().', '.CarbonImmutable::parse($version->saved_at)->format('j M Y');
    }

    /** @return array<int, User> those who wrote what stands, by id */
    public function people(): array
    {
        return $this->users->all();
    }

    /** @return object{user_id: int, saved_at: string}|null */
    private function version(string $row, string $column): ?object
    {
        $number = max($this->numbers["{$row}/{$column}"] ?? 0, $this->numbers[$row] ?? 0);

        return $number === 0 ? null : $this->versions->get($number);
    }
}
