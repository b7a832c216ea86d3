<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Item;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Kind;
use Normalizer;

/**
 * Lives of texts, by which what is there and what is gone is found: written with each version, from what it touched and from nothing else. A life is
 * one text in one field of a part (or one cell) from the version that brought it to the version that it was gone with.
 */
final class Lives
{
    /** Texts that are written with a version: about a second. */
    private const MANY = 8_000;

    /** Texts of a first version that are put in together. */
    private const AT_ONCE = 100;

    /** Pages of the index that are put together at once, and how often in one night. */
    private const PAGES = 200;

    private const STEPS = 500;

    /** Letters of a text that are found. */
    private const MOST = 20_000;

    /** Without case and accents, as it is looked for. */
    public static function folded(string $text): string
    {
        return mb_strtolower((string) preg_replace('/\p{Mn}+/u', '', Normalizer::normalize(mb_scrub($text), Normalizer::FORM_KD) ?: $text));
    }

    /**
     * Whether so much was touched that it is not to be written while somebody waits.
     *
     * @param  list<string>  $touched  parts, and cells as `row/column`
     */
    public static function areMany(array $touched, PartTree $after): bool
    {
        $texts = count($touched);
        foreach ($touched as $key) {
            $texts += count($after->find($key)->fields ?? []);
            if ($texts > self::MANY) {
                return true;
            }
        }

        return $texts > self::MANY;
    }

    /**
     * A version was written, or grew.
     *
     * @param  iterable<string>  $touched  parts, and cells as `row/column`
     */
    public function write(Item $item, int $number, bool $grew, Kind $kind, iterable $touched, PartTree $after, string $title): void
    {
        if ($grew) {
            DB::table('lives')->where(['item_id' => $item->id, 'from_number' => $number])->when($number > 1, self::later(...))->delete();
            DB::table('lives')->where(['item_id' => $item->id, 'gone_number' => $number])->update(['gone_number' => null]);
        }
        $this->part($item, $number, '', null, ['title' => $title], []);
        if ($number === 1 && ! $grew) {
            $this->first($item, $kind, $touched, $after);

            return;
        }
        $row = $kind->grid()?->row;
        foreach ($touched as $key) {
            $at = explode('/', $key, 2);
            [$id, $column] = [$at[0], $at[1] ?? null];
            $part = $after->find($id);
            // The cells of a row that stays come one by one.
            if ($column === null && $row !== null && $part?->role === $row && $this->isThere($item, $id)) {
                continue;
            }
            $texts = $part === null ? [] : $kind->texts($part);
            $texts = $column === null ? $texts : array_intersect_key($texts, [$column => 1]);
            $this->part($item, $number, $id, $column, $texts, $part === null ? [] : self::spelled($kind, $after, $part, $texts));
        }
    }

    /**
     * Of a first version nothing was there: what stands in it is put in many at a time.
     *
     * @param  iterable<string>  $touched
     */
    private function first(Item $item, Kind $kind, iterable $touched, PartTree $after): void
    {
        $lives = [];
        foreach (array_unique([...$touched]) as $id) {
            // A cell comes with its row.
            $part = str_contains($id, '/') ? null : $after->find($id);
            $texts = $part === null ? [] : $kind->texts($part);
            $spelled = $part === null ? [] : self::spelled($kind, $after, $part, $texts);
            foreach ($texts as $field => $text) {
                $lives[] = self::life($item, 1, $id, (string) $field, mb_substr($text, 0, self::MOST), $spelled[$field] ?? null);
            }
        }
        foreach (array_chunk($lives, self::AT_ONCE) as $some) {
            DB::table('lives')->insert($some);
        }
    }

    /**
     * Formulas as people read them, by which they are found; they are kept by what they stand for.
     *
     * @param  array<string, string>  $texts
     * @return array<string, string> field => formula
     */
    private static function spelled(Kind $kind, PartTree $after, Part $part, array $texts): array
    {
        // Of some parts of a large state nobody knows where the others stand.
        return $kind->grid()?->calculated !== true || $after->ordinals !== null ? [] : array_map(
            fn (int|string $field): string => $kind->written($after, $part, $part->fields[$field] ?? null),
            array_filter(array_combine(array_keys($texts), array_keys($texts)), fn (int|string $field): bool => Cell::isFormula($part->fields[$field] ?? null)),
        );
    }

    /** @return array<string, int|string|null> */
    private static function life(Item $item, int $number, string $part, string $field, string $text, ?string $spelled): array
    {
        $folded = self::folded(mb_substr($spelled ?? $text, 0, self::MOST));

        return ['item_id' => $item->id, 'part' => $part, 'field' => $field, 'from_number' => $number, 'text' => $text, 'folded' => $folded === $text ? null : $folded];
    }

    /** Where versions are gone, lives begin and end with the next one that is kept. */
    public function close(Item $item, int $after, int $next): void
    {
        foreach (['from_number', 'gone_number'] as $end) {
            DB::table('lives')->where('item_id', $item->id)->where($end, '>', $after)->where($end, '<', $next)->when($end === 'from_number', self::later(...))->update([$end => $next]);
        }
        DB::table('lives')->where('item_id', $item->id)->where('from_number', $next)->where('gone_number', '<=', $next)->when($next > 1, self::later(...))->delete();
    }

    /** What stood from the beginning is most of all lives, and is in no index by when it came. */
    private static function later(Builder $lives): Builder
    {
        return $lives->whereRaw('from_number > 1');
    }

    /** What many saves and deletions left of the index is put together, a little at a time, so that nobody who saves waits for it (SQLite, FTS5, 6.8). */
    public function tidy(): void
    {
        $steps = -self::PAGES;
        for ($step = 0; $step < self::STEPS; $step++) {
            $before = (int) DB::scalar('SELECT total_changes()');
            DB::statement("INSERT INTO found (found, rank) VALUES ('merge', {$steps})");
            // The order itself is one change.
            if ($step > 0 && (int) DB::scalar('SELECT total_changes()') - $before < 2) {
                return;
            }
            $steps = self::PAGES;
        }
    }

    /**
     * What is wrong with what is found of an item, held against its newest version; null when nothing is.
     */
    public function fault(Item $item, Kind $kind, PartTree $newest): ?string
    {
        $wanted = ['/title' => $item->title];
        foreach ($newest->parts as $part) {
            foreach ($kind->texts($part) as $field => $text) {
                $wanted["{$part->id}/{$field}"] = mb_substr($text, 0, self::MOST);
            }
        }
        foreach (DB::table('lives')->where('item_id', $item->id)->whereNull('gone_number')->select('part', 'field', 'text')->cursor() as $life) {
            $at = "{$life->part}/{$life->field}";
            if (($wanted[$at] ?? null) !== $life->text) {
                return "what is found at {$at} does not stand there";
            }
            unset($wanted[$at]);
        }

        return $wanted === [] ? null : 'what stands at '.array_key_first($wanted).' is not found';
    }

    private function isThere(Item $item, string $part): bool
    {
        return DB::table('lives')->where(['item_id' => $item->id, 'part' => $part])->whereNull('gone_number')->exists();
    }

    /**
     * @param  string|null  $column  only this field of it
     * @param  array<string, string>  $texts  what stands in it now
     * @param  array<string, string>  $spelled
     */
    private function part(Item $item, int $number, string $part, ?string $column, array $texts, array $spelled): void
    {
        $texts = array_map(fn (string $text): string => mb_substr($text, 0, self::MOST), $texts);
        $there = DB::table('lives')->where(['item_id' => $item->id, 'part' => $part])->when($column !== null, fn ($query) => $query->where('field', $column))->whereNull('gone_number')->get(['id', 'field', 'text']);
        foreach ($there as $life) {
            if (($texts[$life->field] ?? null) === $life->text) {
                unset($texts[$life->field]);

                continue;
            }
            DB::table('lives')->where('id', $life->id)->update(['gone_number' => $number]);
        }
        foreach ($texts as $field => $text) {
            DB::table('lives')->insert(self::life($item, $number, $part, (string) $field, $text, $spelled[$field] ?? null));
        }
    }
}
