<?php

declare(strict_types=1);

namespace App\Store\Lives;

use App\Models\Item;
use Closure;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Kind;
use Normalizer;

/**
 * Lives of texts, by which what is there and what is gone is found: written with each version, from what it touched and from nothing else.
 * A life is one text in one field of a part (or one cell) from the version that brought it to the version that it was gone with.
 */
final class Lives
{
    /** Texts that are written with a version: about a second. */
    private const MANY = 8_000;

    /** Texts that go along with a copy. */
    private const COPIED = 20_000;

    /** Blocks that are read through without the index, and those that are read at once. */
    private const FEW = 300;

    private const READ = 100;

    /** Pages of the index that are put together at once, and how often in one night. */
    private const PAGES = 200;

    private const STEPS = 500;

    /** Letters of a text that are found. */
    private const MOST = 20_000;

    /** Without case and accents, as it is looked for. */
    public static function folded(string $text): string
    {
        if (preg_match('/[^\x00-\x7f]/', $text) !== 1) {
            return strtolower($text);
        }

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
        $blocks = new LifeBlocks($item);
        if ($grew) {
            // What it had brought is not there, and what it had taken out is.
            $blocks->change(
                $number,
                $number,
                fn (Life $life): ?Life => $life->from === $number ? null : ($life->gone === $number ? $life->until(null) : $life),
            );
        }
        $wanted = ['' => ['title' => [$title, null]]];
        $row = $kind->grid()?->row;
        $only = [];
        foreach ($touched as $key) {
            $at = explode('/', $key, 2);
            [$id, $column] = [$at[0], $at[1] ?? null];
            $part = $after->find($id);
            // The cells of a row that stays come one by one.
            if ($column === null && $row !== null && $part?->role === $row && self::isThere($blocks, $id)) {
                continue;
            }
            $texts = $part === null ? [] : $kind->texts($part);
            $texts = $column === null ? $texts : array_intersect_key($texts, [$column => 1]);
            $wanted[$id] = ($wanted[$id] ?? []) + self::spelled($kind, $after, $part, $texts);
            $column === null ? $only[$id] = null : (array_key_exists($id, $only) && $only[$id] === null ?: $only[$id][$column] = true);
        }
        foreach ($wanted as $id => $texts) {
            self::part($blocks, $item->id, $number, (string) $id, $only[$id] ?? null, $texts);
        }
        $blocks->save();
    }

    /**
     * Texts with formulas as people read them, by which they are found; they are kept by what they stand for.
     *
     * @param  array<string, string>  $texts
     * @return array<string, array{string, string|null}> field => text, and the formula
     */
    private static function spelled(Kind $kind, PartTree $after, ?Part $part, array $texts): array
    {
        $isSpelled = $part !== null && $kind->grid()?->calculated === true;
        $spelled = [];
        foreach ($texts as $field => $text) {
            $formula = $isSpelled && Cell::isFormula($part->fields[$field] ?? null)
                ? mb_substr($kind->written($after, $part, $part->fields[$field]), 0, self::MOST)
                : null;
            $spelled[$field] = [mb_substr($text, 0, self::MOST), $formula];
        }

        return $spelled;
    }

    /**
     * Where versions are gone, lives begin and end with the next one that is kept; what went and came back between goes on.
     *
     * @param  Closure(): PartTree  $at  the next one, whole
     */
    public function close(Item $item, int $after, int $next, Kind $kind, Closure $at): void
    {
        $blocks = new LifeBlocks($item);
        $kept = fn (?int $number): ?int => $number !== null && $number > $after && $number < $next ? $next : $number;
        $key = fn (Life $life): string => "{$life->part}\0{$life->field}\0{$life->text}";
        $went = $came = [];
        foreach ($blocks->lives($after + 1, $next) as $life) {
            $kept($life->from) === $next ?: ($kept($life->gone) === $next ? $went[$key($life)] = true : null);
            $kept($life->from) === $next && $kept($life->gone) !== $next ? $came[$key($life)] = $kept($life->gone) : null;
        }
        $blocks->change($after + 1, $next, function (Life $life) use ($kept, $key, $went, $came, $next, $kind, $at): ?Life {
            [$from, $gone, $of] = [(int) $kept($life->from), $kept($life->gone), $key($life)];
            if ($from === $next) {
                return $gone === $next || isset($went[$of]) ? null : self::respelled($life->between($from, $gone), $kind, $at);
            }

            return $life->between($from, $gone === $next && array_key_exists($of, $came) ? $came[$of] : $gone);
        });
        $blocks->save();
    }

    /**
     * What is said to have come with another version than it did is spelled as it is there.
     *
     * @param  Closure(): PartTree  $at
     */
    private static function respelled(Life $life, Kind $kind, Closure $at): Life
    {
        $part = $life->spelled === null ? null : $at()->find($life->part);

        return $part === null
            ? $life
            : new Life(
                $life->item,
                $life->part,
                $life->field,
                $life->from,
                $life->gone,
                $life->text,
                self::spelled($kind, $at(), $part, [$life->field => $life->text])[$life->field][1],
            );
    }

    /** What is found of an item up to a version is found of its copy; not when that is so much that it is to be read in by night. */
    public function copy(Item $from, Item $copy, int $until): bool
    {
        $lives = [];
        $count = 0;
        foreach ((new LifeBlocks($from))->lives() as $life) {
            if ($life->from <= $until) {
                $lives[$life->part][] = new Life(
                    $copy->id,
                    $life->part,
                    $life->field,
                    $life->from,
                    $life->gone === null || $life->gone > $until ? null : $life->gone,
                    $life->text,
                    $life->spelled,
                );
                if (++$count > self::COPIED) {
                    return false;
                }
            }
        }
        $blocks = new LifeBlocks($copy);
        foreach ($lives as $part => $of) {
            $blocks->put((string) $part, $of);
        }
        $blocks->save();

        return true;
    }

    /** @return array<string, string> the texts of a part that are there, by field */
    public function there(Item $item, string $part): array
    {
        return array_column(array_filter((new LifeBlocks($item))->of($part), fn (Life $life) => $life->gone === null), 'text', 'field');
    }

    /**
     * What came after one version and was gone by another, the last first.
     *
     * @return list<Life>
     */
    public function cameAndWent(Item $item, int $from, int $to, int $most): array
    {
        $lives = [];
        foreach ((new LifeBlocks($item))->lives($from + 1, $to) as $life) {
            if ($life->from > $from && $life->gone !== null && $life->gone <= $to && $life->part !== '' && $life->text !== '') {
                $lives[] = $life;
            }
        }
        usort($lives, fn (Life $one, Life $two) => $two->gone <=> $one->gone ?: LifeBlocks::order($one, $two));

        return array_slice($lives, 0, $most);
    }

    /**
     * Lives of some items whose text holds all pieces, the blocks that were made last first. Few blocks are read through; among many, the
     * index knows. So somebody with little does not wait for what others have.
     *
     * @param  Builder  $items  a query over `items`
     * @param  list<string>  $pieces  folded
     * @param  string  $match  what the index is asked
     * @param  int  $looked  how many are looked at, or a few more
     * @param  Closure(list<Life>): list<Life>  $told  those of some that are told of, and as what
     * @return array{list<Life>, bool} at most so many, and whether there may be more
     */
    public function holding(Builder $items, array $pieces, string $match, int $most, int $looked, Closure $told): array
    {
        $blocks = fn (): Builder => DB::table('lives')->whereIn('item_id', $items->clone()->selectRaw('coalesce(items.form_id, items.id)'));
        $ids = $blocks()->limit(self::FEW + 1)->pluck('id')->all();
        if (count($ids) > self::FEW) {
            $ids = $blocks()
                ->whereIn(
                    'id',
                    DB::table('found')
                        ->whereRaw('found MATCH ?', [$match])
                        ->selectRaw('rowid / '.LifeBlocks::PAGES),
                )
                ->pluck('id')
                ->all();
        }
        rsort($ids);
        $lives = [];
        foreach (array_chunk($ids, self::READ) as $some) {
            $found = [];
            foreach (DB::table('lives')->whereIn('id', $some)->orderByDesc('id')->get(['item_id', 'data']) as $row) {
                array_push($found, ...LifeBlock::holding((int) $row->item_id, (string) $row->data, $pieces));
            }
            // In a block may be entries that are not among them, and a form that is not.
            $among = $found === []
                ? []
                : $items
                    ->clone()
                    ->whereIn('items.id', array_values(array_unique(array_map(fn (Life $life) => $life->item, $found))))
                    ->pluck('items.id')
                    ->flip()
                    ->all();
            $found = array_values(array_filter($found, fn (Life $life) => isset($among[$life->item])));
            $looked -= count($found);
            array_push($lives, ...$told($found));
            if (count($lives) > $most || $looked < 0) {
                return [array_slice($lives, 0, $most), true];
            }
        }

        return [$lives, false];
    }

    /**
     * What is found of items that go for good is found no more.
     *
     * @param  array<int>  $items  ids
     */
    public function forget(array $items): void
    {
        LifeBlocks::forgetAll($items);
        foreach (array_chunk($items, self::READ) as $some) {
            foreach (
                Item::query()
                    ->withoutGlobalScopes()
                    ->whereKey($some)
                    ->whereIn('form_id', DB::table('lives')->select('item_id'))
                    ->get() as $entry
            ) {
                (new LifeBlocks($entry))->forget();
            }
        }
    }

    /**
     * What many saves and deletions left of the index is put together, a little at a time, so that nobody who saves waits for it (SQLite,
     * FTS5, 6.8).
     */
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
        foreach ((new LifeBlocks($item))->lives() as $life) {
            if ($life->gone !== null) {
                continue;
            }
            $at = "{$life->part}/{$life->field}";
            if (($wanted[$at] ?? null) !== $life->text) {
                return "what is found at {$at} does not stand there";
            }
            unset($wanted[$at]);
        }

        return $wanted === [] ? null : 'what stands at '.array_key_first($wanted).' is not found';
    }

    private static function isThere(LifeBlocks $blocks, string $part): bool
    {
        return array_filter($blocks->of($part), fn (Life $life) => $life->gone === null) !== [];
    }

    /**
     * @param  array<string, true>|null  $only  these fields of it, or all
     * @param  array<string, array{string, string|null}>  $texts  what is in it now
     */
    private static function part(LifeBlocks $blocks, int $item, int $number, string $part, ?array $only, array $texts): void
    {
        $lives = [];
        $isChanged = false;
        foreach ($blocks->of($part) as $life) {
            if ($life->gone === null && ($only === null || isset($only[$life->field]))) {
                if (($texts[$life->field][0] ?? null) === $life->text) {
                    unset($texts[$life->field]);
                } else {
                    $isChanged = true;
                    $life = $life->until($number);
                }
            }
            $lives[] = $life;
        }
        foreach ($texts as $field => [$text, $spelled]) {
            $lives[] = new Life($item, $part, (string) $field, $number, null, $text, $spelled);
            $isChanged = true;
        }
        $isChanged && $blocks->put($part, $lives);
    }
}
