<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Item;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\History\Touch;

/**
 * Who may have written what a version changed. Where the versions before it are no longer kept, several people may have: they are told as
 * one, “Ines or Tobi”, and go by a number below 0 wherever an editor goes by a number.
 */
final class Writers
{
    /** @var array<string, int> ids of people, ascending and joined => their number */
    private static array $numbers = [];

    /** @var array<int, list<int>> the same the other way round */
    private static array $groups = [];

    /** @var array<int, array<string, list<int>>> version => part => people besides the one of the touch */
    private array $shared = [];

    public function __construct(Item $item)
    {
        foreach (DB::table('shared_touches')->where('item_id', $item->id)->orderBy('user_id')->get(['number', 'part', 'user_id']) as $row) {
            $this->shared[(int) $row->number][(string) $row->part][] = (int) $row->user_id;
        }
    }

    /** The person of a touch, or the number of those who may have done it. */
    public function of(string $part, int $number, int $editor): int
    {
        $others = $this->shared[$number][$part] ?? [];

        return $others === [] ? $editor : self::number([$editor, ...$others]);
    }

    /**
     * @param  array<string, list<Touch>>  $touches  by part
     * @return array<string, list<Touch>>
     */
    public function tell(array $touches): array
    {
        if ($this->shared === []) {
            return $touches;
        }

        return array_map(
            fn (array $of) => array_map(fn (Touch $touch) => $touch->by($this->of($touch->part, $touch->number, $touch->editor)), $of),
            $touches,
        );
    }

    /** @param non-empty-list<int> $people ids, or numbers of several */
    public static function number(array $people): int
    {
        $ids = array_unique(array_merge(...array_map(self::ids(...), $people)));
        sort($ids);
        if (count($ids) === 1) {
            return $ids[0];
        }
        $number = self::$numbers[implode(' ', $ids)] ??= -1 - count(self::$numbers);
        self::$groups[$number] = $ids;

        return $number;
    }

    /** @return list<int> */
    public static function ids(int $number): array
    {
        return self::$groups[$number] ?? [$number];
    }

    /**
     * @param  iterable<mixed>  $numbers
     * @return Collection<int, User> by those numbers
     */
    public static function people(iterable $numbers): Collection
    {
        $wanted = [];
        foreach ($numbers as $number) {
            $wanted[(int) $number] = true;
        }
        $wanted = array_keys($wanted);
        $ids = array_merge([], ...array_map(self::ids(...), $wanted));
        /** @var Collection<int, User> $people */
        $people = User::query()->whereKey(array_values(array_unique($ids)))->orderBy('id')->get()->keyBy('id');
        foreach ($wanted as $number) {
            if ($number < 0) {
                $people->put($number, User::anyOf(...array_values($people->only(self::ids($number))->all())));
            }
        }

        return $people;
    }
}
