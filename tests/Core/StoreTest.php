<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Content\InvalidContent;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Store\ChunkForm;
use MistyAttic\Core\Store\ChunkMissing;
use MistyAttic\Core\Store\HashTree;
use MistyAttic\Core\Store\MemoryChunkStore;
use MistyAttic\Core\Store\NodeChild;
use MistyAttic\Core\Store\Packing;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class StoreTest extends TestCase
{
    private static int $seed;

    public static function setUpBeforeClass(): void
    {
        self::$seed = (int) (getenv('SEED') ?: random_int(1, 1_000_000));
        fwrite(STDERR, "\nstore property tests: SEED=".self::$seed."\n");
    }

    public function test_an_edit_writes_the_path_to_the_root_and_no_more_at_any_size(): void
    {
        foreach ([1_000, 20_000] as $size) {
            $store = new MemoryChunkStore;
            $tree = new HashTree($store);
            $records = $this->records($size);
            $root = $tree->write($records);
            $depth = $this->depth($tree, $root);
            foreach (
                ['edited' => [500, 1, ['"changed"']], 'inserted' => [500, 0, ['"new"']], 'removed' => [500, 1, []]] as $name => [$at, $out, $in]
            ) {
                $before = $store->count();
                $changed = $records;
                array_splice($changed, $at, $out, $in);
                $newRoot = $tree->write($changed, $root);
                // A boundary may come or go with the record, so at most two nodes more on each level.
                self::assertLessThanOrEqual(3 * $depth, $store->count() - $before, "{$name} of {$size}");
                self::assertSame($changed, $tree->read($newRoot));
            }
        }
    }

    public function test_a_window_anywhere_reads_a_path_and_no_more(): void
    {
        $store = new MemoryChunkStore;
        $tree = new HashTree($store);
        $records = $this->records(20_000);
        $root = $tree->write($records);
        foreach ([0, 1, 9_999, 19_970, 19_999, 20_000, 30_000] as $from) {
            $store->reads = 0;
            self::assertSame(array_slice($records, $from, 50), $tree->read($root, $from, 50));
            self::assertLessThanOrEqual(14, $store->reads);
        }
    }

    public function test_splicing_gives_the_tree_that_writing_the_whole_list_gives(): void
    {
        foreach ($this->seeds(150) as $random) {
            $store = new MemoryChunkStore;
            $tree = new HashTree($store);
            $list = $this->records($random->getInt(0, 1) === 0 ? $random->getInt(0, 40) : $random->getInt(0, 3000));
            $root = $tree->write($list);
            for ($round = 0; $round < 3; $round++) {
                [$edits, $after] = $this->edits($random, $list);
                $spliced = $tree->splice($root, $edits);
                self::assertSame((new HashTree(new MemoryChunkStore))->write($after), $spliced);
                self::assertSame($after, $tree->read($spliced));
                self::assertSame(count($after), $tree->count($spliced));
                $this->compare($tree, $root, $spliced, $list, $after);
                [$list, $root] = [$after, $spliced];
            }
        }
    }

    public function test_a_list_compares_with_one_that_holds_all_of_it_as_a_node(): void
    {
        $tree = new HashTree(new MemoryChunkStore);
        $list = $this->records(3_000);
        $root = $tree->write($list);
        $start = 0;
        foreach ($tree->nodes()->entries($root) as $entry) {
            $within = array_slice($list, $start, $entry->count);
            self::assertSame($entry->address, $tree->write($within));
            $this->compare($tree, $entry->address, $root, $within, $list);
            $this->compare($tree, $root, $entry->address, $list, $within);
            $start += $entry->count;
        }
        self::assertGreaterThan($entry->count ?? 0, $start, 'there was more than one');
    }

    public function test_an_edit_costs_the_same_at_any_size(): void
    {
        $reads = $writes = [];
        foreach ([2_000, 40_000] as $size) {
            $store = new MemoryChunkStore;
            $tree = new HashTree($store);
            $root = $tree->write($this->records($size));
            $held = $store->count();
            $store->reads = 0;
            $new = $tree->splice($root, [[intdiv($size, 2), intdiv($size, 2) + 1, ['"changed"']]]);
            $writes[$size] = $store->count() - $held;
            $tree->compare($root, $new);
            $reads[$size] = $store->reads;
        }
        // One level more, and a boundary that may have come or gone.
        self::assertLessThanOrEqual($writes[2_000] + 4, $writes[40_000]);
        self::assertLessThanOrEqual($reads[2_000] + 14, $reads[40_000]);
    }

    public function test_the_parts_that_stand_open_are_found_from_anywhere(): void
    {
        foreach ($this->seeds(20) as $random) {
            $records = [];
            $depth = 0;
            for ($at = 0; $at < 1500; $at++) {
                $depth = min($depth + 1, $random->getInt(0, 40) === 0 ? 0 : $random->getInt(1, 4));
                $records[] = "[\"p{$at}\",\"x\",{$depth},{}]";
            }
            $records[0] = '["p0","x",0,{}]';
            $tree = new HashTree(new MemoryChunkStore);
            $root = $tree->write($records);
            foreach ([0, 1, 700, 1499, 1500] as $before) {
                $open = [];
                foreach (array_slice($records, 0, $before) as $record) {
                    $open = [...array_slice($open, 0, NodeChild::depth($record)), $record];
                }
                self::assertSame($open, $tree->open($root, $before));
            }
        }
    }

    public function test_what_stands_open_is_found_without_looking_into_what_is_deeper(): void
    {
        $store = new MemoryChunkStore;
        $tree = new HashTree($store);
        $root = $tree->write(['["t1","tab",0,{}]', ...array_map(fn (int $at): string => "[\"r{$at}\",\"row\",1,{}]", range(1, 20_000))]);
        $store->reads = 0;
        self::assertSame(['["t1","tab",0,{}]', '["r19998","row",1,{}]'], $tree->open($root, 19_999));
        // One way to the end, for the row, and one to the start, for the tab.
        self::assertLessThanOrEqual(8, $store->reads);
    }

    public function test_long_records_are_cut_by_their_bytes_alike_whatever_the_way_there(): void
    {
        foreach ($this->seeds(10) as $random) {
            $list = array_map(fn (int $at): string => "\"{$at} ".str_repeat('x', $random->getInt(500, 3_000)).'"', range(0, 299));
            $tree = new HashTree(new MemoryChunkStore);
            $root = $tree->write($list);
            $at = $random->getInt(0, 250);
            $spliced = $tree->splice($tree->write([...array_slice($list, 0, $at), ...array_slice($list, $at + 40)]), [
                [$at, $at, array_slice($list, $at, 40)],
            ]);
            self::assertSame($root, $spliced);
        }
    }

    public function test_the_chunks_of_live_roots_are_all_that_they_need(): void
    {
        foreach ($this->seeds(30) as $random) {
            $store = new MemoryChunkStore;
            $tree = new HashTree($store);
            $lists = [$this->records($random->getInt(0, 600))];
            $roots = [$tree->write($lists[0])];
            for ($at = 1; $at < 6; $at++) {
                [$edits, $lists[$at]] = $this->edits($random, $lists[$at - 1]);
                $roots[$at] = $tree->splice($roots[$at - 1], $edits);
            }
            $live = array_filter($roots, fn () => $random->getInt(0, 1) === 0);
            $known = [];
            foreach ($live as $root) {
                foreach ($tree->chunks($root, $known) as $unused);
            }
            $kept = new MemoryChunkStore;
            $kept->write($store->read(array_map(strval(...), array_keys($known))));
            self::assertSame(count($known), $kept->count());
            foreach ($live as $at => $root) {
                self::assertSame($lists[$at], (new HashTree($kept))->read($root));
            }
        }
    }

    public function test_the_empty_list_and_long_records_have_their_roots_too(): void
    {
        $tree = new HashTree(new MemoryChunkStore);
        self::assertSame([], $tree->read($tree->write([])));
        self::assertSame(Address::of('L'), $tree->write([]));
        $long = array_fill(0, 5, str_repeat('x', 100_000));
        self::assertSame($long, $tree->read($tree->write($long)));
    }

    public function test_a_missing_chunk_is_told(): void
    {
        $this->expectException(ChunkMissing::class);
        (new HashTree(new MemoryChunkStore))->read(Address::of('nothing'));
    }

    public function test_packing_uses_a_base_where_it_pays_and_always_comes_back(): void
    {
        $base = implode("\n", $this->records(30));
        $near = str_replace('number 7 ', 'number seven ', $base);
        $delta = Packing::pack($near, $base);
        self::assertSame(ChunkForm::Delta, $delta->form);
        self::assertLessThan(80, strlen($delta->data));
        $noise = random_bytes(2000);
        foreach (
            [
                [$near, $base, $delta],
                [$noise, null, Packing::pack($noise, null)],
                [$noise, $base, Packing::pack($noise, $base)],
                [$base, null, Packing::pack($base, null)],
                ['', null, Packing::pack('', null)],
            ] as [$bytes, $against, $packed]
        ) {
            self::assertSame($bytes, Packing::unpack($packed->form, $packed->data, $packed->form === ChunkForm::Delta ? $against : null));
        }
        self::assertSame(ChunkForm::Plain, Packing::pack($noise, null)->form);
        self::assertNull(Packing::unpack(ChunkForm::Deflated, "\xff\xff\xff", null));
    }

    public function test_a_delta_is_short_whatever_repeats_itself_and_comes_back_from_any_change(): void
    {
        foreach ($this->seeds(60) as $random) {
            $list = $random->getInt(0, 1) === 0
                ? $this->records($random->getInt(1, 80))
                : array_map(fn () => ['', 'lamp', 'lamp lead lamp', random_bytes(3)][$random->getInt(0, 3)], range(1, 80));
            [, $after] = $this->edits($random, $list);
            [$base, $bytes] = [implode("\n", $list), implode("\n", $after)];
            $packed = Packing::pack($bytes, $base);
            self::assertSame($bytes, Packing::unpack($packed->form, $packed->data, $base));
            // Of a disk that lies comes nothing, or something else, and no error.
            $damaged = substr_replace($packed->data, random_bytes(1), $random->getInt(0, max(0, strlen($packed->data) - 1)), 1);
            Packing::unpack($packed->form, $damaged, $base);
        }
        // Words that repeat themselves hide from a dictionary where what is the same goes on; lines do not.
        $words = array_map(
            fn (int $at) => str_repeat('lamp lead socket board '[$at % 23] === ' ' ? 'lamp lead ' : 'lead socket lamp ', 12 + $at),
            range(1, 30),
        );
        $base = implode("\n", $words);
        $words[15] .= 'tester';
        self::assertLessThan(50, strlen(Packing::pack(implode("\n", $words), $base)->data));
    }

    /** @return iterable<Randomizer> */
    private function seeds(int $rounds): iterable
    {
        for ($round = 0; $round < $rounds; $round++) {
            yield new Randomizer(new Mt19937(self::$seed + $round));
        }
    }

    /**
     * @param  list<string>  $list
     * @return array{list<array{int, int, list<string>}>, list<string>} edits, and the list after them
     */
    private function edits(Randomizer $random, array $list): array
    {
        $edits = $after = [];
        $at = 0;
        for ($left = $random->getInt(1, 4); $left > 0 && $at <= count($list); $left--) {
            $from = $random->getInt($at, count($list));
            $to = min(count($list), $from + ($random->getInt(0, 6) === 0 ? $random->getInt(0, 500) : $random->getInt(0, 3)));
            $in = [];
            for ($i = $random->getInt(0, $random->getInt(0, 6) === 0 ? 200 : 3); $i > 0; $i--) {
                $in[] = '["q'.$random->getInt(0, 1 << 30).'","paragraph",0,{}]';
            }
            $edits[] = [$from, $to, $in];
            array_push($after, ...array_slice($list, $at, $from - $at), ...$in);
            $at = $to;
            if ($to === $from) {
                array_push($after, ...array_slice($list, $at, 1));
                $at++;
            }
        }
        array_push($after, ...array_slice($list, $at));

        return [$edits, $after];
    }

    /**
     * Putting the regions that differ into the old list gives the new one, and none of them begins or ends alike.
     *
     * @param  list<string>  $old
     * @param  list<string>  $new
     */
    private function compare(HashTree $tree, string $oldRoot, string $newRoot, array $old, array $new): void
    {
        $built = [];
        $at = 0;
        foreach ($tree->compare($oldRoot, $newRoot) as $region) {
            array_push($built, ...array_slice($old, $at, $region->oldFrom - $at));
            self::assertSame(count($built), $region->newFrom);
            self::assertSame(array_slice($old, $region->oldFrom, count($region->old)), $region->old);
            self::assertNotSame($region->old, $region->new);
            array_push($built, ...$region->new);
            $at = $region->oldTo();
        }
        array_push($built, ...array_slice($old, $at));
        self::assertSame($new, $built);
    }

    public function test_fields_are_read_when_they_are_asked_for(): void
    {
        $part = new Part('row1', 'row', 1, ['c1' => 'two "words"', 'c2' => ['=', 'A1'], 'c3' => 1.5]);
        $late = Part::deferred([$part->record()])[0];
        self::assertSame(['row1', 'row', 1, $part->record()], [$late->id, $late->role, $late->depth, $late->record()]);
        self::assertTrue($late->mayHold('"="') && ! $late->mayHold('"*"'), 'seen in the record');
        self::assertTrue($late->sameFields(Part::deferred([$part->record()])[0]) && $late->sameFields($part) && $part->sameFields($late));
        self::assertFalse($late->sameFields(Part::deferred([$part->with('c3', 2)->record()])[0]));
        self::assertSame($part->fields, $late->fields);
        self::assertSame([$part->fields], array_column(Part::deferred([$part->record()]), 'fields'));
        self::assertSame($part->with('c3', 2)->record(), $late->with('c3', 2)->record());
    }

    /** @return array<string, array{string}> */
    public static function badRecords(): array
    {
        return [
            'no JSON' => ['nothing'],
            'cut off' => ['["r1","row",0,{"c1":1'],
            'fields of objects' => ['["r1","row",0,{"c1":{"c2":1}}]'],
            'no fields' => ['["r1","row",0]'],
            'a depth below the top' => ['["r1","row",-1,{}]'],
            'a depth that is text' => ['["r1","row","1",{}]'],
            'more than a record' => ['["r1","row",0,{},{}]'],
        ];
    }

    #[DataProvider('badRecords')]
    public function test_a_record_that_is_none_is_refused_when_it_is_read(string $record): void
    {
        $this->expectException(InvalidContent::class);
        Part::deferred([$record])[0]->fields;
    }

    public function test_an_id_with_signs_that_are_escaped_is_read_as_ever(): void
    {
        $part = new Part('a"b\\c', 'row', 0, ['c1' => 1]);
        self::assertEquals([$part], Part::deferred([$part->record()]));
    }

    /** @return list<string> */
    private function records(int $size): array
    {
        return array_map(fn (int $at) => "[\"p{$at}\",\"paragraph\",0,{\"text\":\"number {$at} of a list that goes on\"}]", range(1, $size));
    }

    private function depth(HashTree $tree, string $root): int
    {
        $depth = 1;
        foreach ($tree->chunks($root) as $bytes) {
            if ($bytes[0] === 'L') {
                break;
            }
            $depth++;
        }

        return min(5, $depth);
    }
}
