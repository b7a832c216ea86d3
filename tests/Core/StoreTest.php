<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Store\Address;
use MistyAttic\Core\Store\ChunkForm;
use MistyAttic\Core\Store\ChunkMissing;
use MistyAttic\Core\Store\HashTree;
use MistyAttic\Core\Store\MemoryChunkStore;
use MistyAttic\Core\Store\Packing;
use PHPUnit\Framework\TestCase;

final class StoreTest extends TestCase
{
    public function test_an_edit_writes_the_path_to_the_root_and_no_more_at_any_size(): void
    {
        foreach ([1_000, 20_000] as $size) {
            $store = new MemoryChunkStore;
            $tree = new HashTree($store);
            $records = $this->records($size);
            $root = $tree->write($records);
            $depth = $this->depth($tree, $root);
            foreach (['edited' => [500, 1, ['"changed"']], 'inserted' => [500, 0, ['"new"']], 'removed' => [500, 1, []]] as $name => [$at, $out, $in]) {
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
        foreach ([[$near, $base, $delta], [$noise, null, Packing::pack($noise, null)], [$noise, $base, Packing::pack($noise, $base)], [$base, null, Packing::pack($base, null)], ['', null, Packing::pack('', null)]] as [$bytes, $against, $packed]) {
            self::assertSame($bytes, Packing::unpack($packed->form, $packed->data, $packed->form === ChunkForm::Delta ? $against : null));
        }
        self::assertSame(ChunkForm::Plain, Packing::pack($noise, null)->form);
        self::assertNull(Packing::unpack(ChunkForm::Deflated, "\xff\xff\xff", null));
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
