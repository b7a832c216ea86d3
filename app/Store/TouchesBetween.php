<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Item;
use App\Models\Version;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\History\Touch;

/**
 * The versions between two that touched some parts: each of them, or, where they are more than a page may read, of each part and editor the
 * first and the last. Who answers for a change is right either way; how many versions did it, and who wrote which word, is not told then.
 */
final class TouchesBetween
{
    /** Touches that are read one by one. */
    private const MOST = 2_000;

    /** What is read of the first and the last. */
    private const MOST_ENDS = 20_000;

    /** Parts that are asked for by their names; of more, all that lies between is looked through. */
    private const NAMED = 2_000;

    /** @var array<string, list<Touch>> part => ascending */
    public array $of = [];

    /** Whether only the first and the last of each editor are told. */
    public readonly bool $areEnds;

    /** @param list<string> $parts */
    public function __construct(private readonly Item $item, private readonly int $after, private readonly int $until, array $parts)
    {
        $wanted = array_flip($parts);
        $batches = count($parts) > self::NAMED ? [null] : array_chunk($parts, 500);
        $this->areEnds = array_sum(
            array_map(
                fn (?array $batch) => DB::query()
                    ->fromSub(
                        $this->query($batch)
                            ->select('number')
                            ->limit(self::MOST + 1),
                        'some',
                    )
                    ->count(),
                $batches,
            ),
        ) > self::MOST;
        foreach ($batches as $batch) {
            foreach (
                $this->areEnds
                    ? $this->ends($batch)
                    : $this->query($batch)
                        ->orderBy('part')
                        ->orderBy('number')
                        ->get(['part', 'number', 'user_id', 'what', 'position']) as $row
            ) {
                if (isset($wanted[(string) $row->part])) {
                    $this->of[(string) $row->part][] = self::touch($row);
                }
            }
        }
        $this->of = (new Writers($this->item))->tell($this->of);
        if ($this->areEnds) {
            foreach ($this->of as $part => $touches) {
                usort($touches, fn (Touch $one, Touch $two) => $one->number <=> $two->number);
                $this->of[$part] = $touches;
            }
        }
    }

    /**
     * What a version would do that is not there: all of it is by who would write it.
     *
     * @param  array<string, int>  $touched  part => bits of what is done to it
     * @return array<string, list<Touch>>
     */
    public static function toCome(Version $version, array $touched): array
    {
        $touches = [];
        foreach ($touched as $part => $what) {
            $touches[$part] = [new Touch((string) $part, $version->number, $version->user_id, $what, null)];
        }

        return $touches;
    }

    public static function touch(\stdClass $row): Touch
    {
        return new Touch(
            (string) $row->part,
            (int) $row->number,
            (int) $row->user_id,
            (int) $row->what,
            $row->position === null ? null : (int) $row->position,
        );
    }

    /** @return list<int> the people */
    public function editors(): array
    {
        return array_values(
            array_unique(array_merge([], ...array_map(fn (array $touches) => array_column($touches, 'editor'), array_values($this->of)))),
        );
    }

    /** @return list<int> the versions */
    public function numbers(): array
    {
        return array_values(
            array_unique(array_merge([], ...array_map(fn (array $touches) => array_column($touches, 'number'), array_values($this->of)))),
        );
    }

    /** @param list<string>|null $batch all parts if null */
    private function query(?array $batch): Builder
    {
        return DB::table('touches')
            ->where('item_id', $this->item->id)
            ->when($batch !== null, fn (Builder $query) => $query->whereIn('part', $batch))
            ->where('number', '>', $this->after)
            ->where('number', '<=', $this->until);
    }

    /**
     * @param  list<string>|null  $batch
     * @return list<\stdClass>
     */
    private function ends(?array $batch): array
    {
        $rows = [];
        foreach (['MIN', 'MAX'] as $end) {
            // The other columns are those of the row that has it (SQLite, “Bare columns in an aggregate query”).
            foreach (
                $this->query($batch)
                    ->groupBy('part', 'user_id', 'what')
                    ->limit(self::MOST_ENDS)
                    ->selectRaw("part, {$end}(number) AS number, user_id, what, position")
                    ->get() as $row
            ) {
                $rows["{$row->part} {$row->number}"] = $row;
            }
        }

        return array_values($rows);
    }
}
