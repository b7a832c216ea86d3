<?php

declare(strict_types=1);

namespace App\Store\Lives;

use App\Models\Item;
use Generator;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use PDO;
use stdClass;

/**
 * The blocks of lives of one item, and what the index of words knows of them. Those of entries are kept with those of their form. The open
 * blocks share the places among them, each from one place on to the next block; when one grows too large, what is gone moves to a closed
 * one, and what is left is divided.
 */
final class LifeBlocks
{
    /** Bytes that an open block has at most, and a new one has. */
    private const MOST = 5_000;

    private const FRESH = 4_000;

    /** Bytes of what is gone that make a closed block, and that one has at most. */
    private const CLOSES = 2_500;

    private const CLOSED = 12_000;

    /** How many pages a block may have: a row of the index is its block times this and the page. */
    public const PAGES = 16;

    private readonly int $home;

    /** @var array<int, LifeBlock> those that were read, by id */
    private array $read = [];

    /** The first block of an item that has none. */
    private ?LifeBlock $first = null;

    /** @var array<int, string|null> where the next one begins */
    private array $until = [];

    public function __construct(private readonly Item $item)
    {
        $this->home = $item->form_id ?? $item->id;
    }

    /** @return list<Life> those of a part of the item */
    public function of(string $part): array
    {
        return $this->at($this->place($part))->of($this->place($part));
    }

    /** @param list<Life> $lives those of a part of the item */
    public function put(string $part, array $lives): void
    {
        $this->at($this->place($part))->put($this->place($part), $lives);
    }

    private function place(string $part): string
    {
        return Life::placed($this->home, $this->item->id, $part);
    }

    /** The open block that a place is in. */
    private function at(string $place): LifeBlock
    {
        foreach ($this->until as $id => $until) {
            if (strcmp($this->read[$id]->from, $place) <= 0 && ($until === null || strcmp($place, $until) < 0)) {
                return $this->read[$id];
            }
        }
        $row = $this->first === null ? $this->open()->where('place', '<=', $place)->orderByDesc('place')->first() : null;
        if ($row === null) {
            return $this->first ??= new LifeBlock(null, $this->home, '', false);
        }
        $next = $this->open()->where('place', '>', $place)->min('place');
        $this->until[(int) $row->id] = is_string($next) ? $next : null;

        return $this->block($row);
    }

    private function open(): Builder
    {
        return DB::table('lives')->where(['item_id' => $this->home, 'closed' => 0]);
    }

    /** The blocks in which something of the item may be. */
    private function mine(): Builder
    {
        $end = $this->item->id === $this->home ? '~' : substr($this->place(''), 0, -1).'0';
        $begin = $this->open()->where('place', '<=', $this->place(''))->max('place');

        return DB::table('lives')
            ->where('item_id', $this->home)
            ->where(
                fn (Builder $either) => $either
                    ->where('closed', 1)
                    ->orWhere(fn (Builder $open) => $open->where('place', '>=', is_string($begin) ? $begin : '')->where('place', '<', $end)),
            );
    }

    /**
     * Gives each life of the item that is in a block in which something came or went with a version, or between two, to be kept as it is
     * said, or to go.
     *
     * @param  callable(Life): (Life|null)  $change
     */
    public function change(int $from, int $to, callable $change): void
    {
        foreach ($this->mine()->where('last', '>=', $from)->where('first', '<=', $to)->get() as $row) {
            $block = $this->block($row);
            $lives = $back = [];
            foreach ($block->lives() as $life) {
                $is = $life->item === $this->item->id ? $change($life) : $life;
                // What is there is in no closed block.
                $is === null ?: ($block->isClosed && $is->gone === null ? $back[] = $is : $lives[] = $is);
            }
            $block->set($lives);
            foreach ($back as $life) {
                $this->put($life->part, [...$this->of($life->part), $life]);
            }
        }
    }

    /** @return Generator<int, Life> all of the item, or those in blocks in which something came or went with a version, or between two */
    public function lives(int $from = 1, int $to = PHP_INT_MAX): Generator
    {
        foreach ($this->mine()->where('last', '>=', $from)->where('first', '<=', $to)->lazyById(50) as $row) {
            foreach (self::unpacked($row)->lives() as $life) {
                if ($life->item === $this->item->id) {
                    yield $life;
                }
            }
        }
    }

    /** @return Generator<int, LifeBlock> those of all items */
    public static function everywhere(): Generator
    {
        foreach (DB::table('lives')->lazyById(50) as $row) {
            yield self::unpacked($row);
        }
    }

    private static function unpacked(stdClass $row): LifeBlock
    {
        return LifeBlock::unpack((int) $row->id, (int) $row->item_id, (string) $row->place, (bool) $row->closed, (string) $row->data);
    }

    private function block(stdClass $row): LifeBlock
    {
        return $this->read[(int) $row->id] ??= self::unpacked($row);
    }

    /** Keeps what was changed. */
    public function save(): void
    {
        // What is closed is kept first: it takes what others close.
        $blocks = [...array_values($this->read), ...($this->first === null ? [] : [$this->first])];
        usort($blocks, fn (LifeBlock $one, LifeBlock $two): int => $two->isClosed <=> $one->isClosed);
        foreach ($blocks as $block) {
            foreach ($block->isChanged ? $this->divided($block) : [] as $one) {
                $this->keep($one);
            }
        }
        [$this->read, $this->until, $this->first] = [[], [], null];
    }

    /** @return list<LifeBlock> a block, or what it is divided into */
    private function divided(LifeBlock $block): array
    {
        $all = $block->lives();
        if ($block->isClosed || LifeBlock::size($all) <= self::MOST) {
            $block->page(anew: false);
            $block->lastPage() < self::PAGES || $block->page(anew: true);

            return [$block];
        }
        $gone = array_values(array_filter($all, fn (Life $life) => $life->gone !== null));
        $closes = LifeBlock::size($gone) >= self::CLOSES;
        $stay = $closes ? array_values(array_filter($all, fn (Life $life) => $life->gone === null)) : $all;
        $open = LifeBlock::size($stay) > self::MOST ? $this->cut($stay, self::FRESH, within: false) : [$stay];
        $block->set(array_shift($open) ?? []);
        $blocks = [$block];
        foreach ($open as $lives) {
            $blocks[] = $this->made($lives, $lives[0]->place($this->home), false);
        }
        array_push($blocks, ...($closes ? $this->closed($gone) : []));
        array_map(fn (LifeBlock $one) => $one->page(anew: true), $blocks);

        return $blocks;
    }

    /**
     * @param  list<Life>  $gone
     * @return list<LifeBlock> the last closed one with them, as far as it has room, and new ones
     */
    private function closed(array $gone): array
    {
        $row = DB::table('lives')->where(['item_id' => $this->home, 'closed' => 1])->orderByDesc('id')->first();
        $last = $row === null ? null : $this->block($row);
        if ($last === null || LifeBlock::size($last->lives()) + LifeBlock::size($gone) > self::CLOSED) {
            return array_map(fn (array $lives): LifeBlock => $this->made($lives, '', true), $this->cut($gone, self::CLOSED, within: true));
        }
        $last->set([...$last->lives(), ...$gone]);

        return [$last];
    }

    /** @param list<Life> $lives */
    private function made(array $lives, string $from, bool $isClosed): LifeBlock
    {
        $block = new LifeBlock(null, $this->home, $from, $isClosed);
        $block->set($lives);

        return $block;
    }

    /**
     * @param  list<Life>  $lives
     * @param  bool  $within  also within a place
     * @return list<non-empty-list<Life>> by places, in their order
     */
    private function cut(array $lives, int $most, bool $within): array
    {
        $order = array_map(fn (Life $life): string => $life->place($this->home)."\0".$life->field.sprintf("\0%010d", $life->from), $lives);
        asort($order, SORT_STRING);
        [$cut, $some, $size, $place] = [[], [], 0, ''];
        foreach (array_keys($order) as $at) {
            $life = $lives[$at];
            if ($some !== [] && $size >= $most && ($within || $life->place($this->home) !== $place)) {
                [$cut[], $some, $size] = [$some, [], 0];
            }
            $some[] = $life;
            $size += $life->size();
            $place = $life->place($this->home);
        }

        return $some === [] ? $cut : [...$cut, $some];
    }

    public static function order(Life $one, Life $two): int
    {
        return $one->item <=> $two->item ?: strcmp($one->part, $two->part) ?: strcmp($one->field, $two->field) ?: $one->from <=> $two->from;
    }

    private function keep(LifeBlock $block): void
    {
        $pdo = DB::connection()->getPdo();
        if ($block->lives() === []) {
            $block->id === null || DB::table('lives')->where('id', $block->id)->delete();
        } else {
            [$first, $last] = $block->reach();
            $write = $pdo->prepare(
                $block->id === null
                    ? 'INSERT INTO lives (first, last, data, item_id, place, closed) VALUES (?, ?, ?, ?, ?, ?)'
                    : 'UPDATE lives SET first = ?, last = ?, data = ? WHERE id = ?',
            );
            foreach (
                [
                    $first,
                    $last,
                    $block->pack(),
                    ...$block->id === null ? [$block->home, $block->from, (int) $block->isClosed] : [$block->id],
                ] as $at => $value
            ) {
                $write->bindValue($at + 1, $value, $at === 2 ? PDO::PARAM_LOB : (is_int($value) ? PDO::PARAM_INT : PDO::PARAM_STR));
            }
            $write->execute();
            $block->id ??= (int) $pdo->lastInsertId();
        }
        self::index($block, ...$block->changes());
        $block->isIndexed();
    }

    /**
     * @param  array<int, string>  $was  pages that the index is to forget
     * @param  array<int, string>  $is  and to know
     */
    private static function index(LifeBlock $block, array $was, array $is): void
    {
        $row = (int) $block->id * self::PAGES;
        foreach ($was as $page => $text) {
            DB::insert("INSERT INTO found (found, rowid, text) VALUES ('delete', ?, ?)", [$row + $page, $text]);
        }
        foreach ($is as $page => $text) {
            DB::insert('INSERT INTO found (rowid, text) VALUES (?, ?)', [$row + $page, $text]);
        }
    }

    /** @return bool whether that was all: no more than so many blocks are changed at once */
    public function forget(int $most = PHP_INT_MAX): bool
    {
        foreach ($this->mine()->lazyById(50) as $row) {
            $block = self::unpacked($row);
            $others = array_values(array_filter($block->lives(), fn (Life $life) => $life->item !== $this->item->id));
            if (count($others) === count($block->lives())) {
                continue;
            }
            if ($most-- === 0) {
                return false;
            }
            $block->set($others);
            $block->page(anew: false);
            $this->keep($block);
        }

        return true;
    }

    /**
     * Forgets items that go, each with its entries.
     *
     * @param  array<int>  $homes  ids
     */
    public static function forgetAll(array $homes): void
    {
        foreach (array_chunk($homes, 500) as $some) {
            foreach (DB::table('lives')->whereIn('item_id', $some)->lazyById(50) as $row) {
                $block = self::unpacked($row);
                self::index($block, $block->texts(), []);
            }
            DB::table('lives')->whereIn('item_id', $some)->delete();
        }
    }
}
