<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Compare\ChangeType;
use MistyAttic\Core\Compare\Layout;
use MistyAttic\Core\Compare\Statements;
use MistyAttic\Core\Compare\TreeCompare;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Document\DocumentKind;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Merge\TreeMerge;
use MistyAttic\Core\Store\MemoryChunkStore;
use MistyAttic\Core\Store\TreeStore;
use PHPUnit\Framework\TestCase;

/** What must hold for any documents and any edits. Set SEED to repeat a run. */
final class PropertiesTest extends TestCase
{
    private const ROUNDS = 400;

    private static int $seed;

    public static function setUpBeforeClass(): void
    {
        self::$seed = (int) (getenv('SEED') ?: random_int(1, 1_000_000));
        fwrite(STDERR, "\nproperty tests: SEED=".self::$seed."\n");
    }

    public function test_applying_the_difference_gives_the_other_side(): void
    {
        $this->rounds(function (RandomContent $random): void {
            $old = $random->document(1 + $random->under(20));
            $new = $random->edited($old, $random->under(8));
            self::assertSame($this->records($new), $this->records(TreeCompare::of($old, $new)->apply($old)));
            self::assertTrue(TreeCompare::of($new, $new)->isEmpty());
        });
    }

    public function test_the_layout_shows_every_part_of_both_sides_once(): void
    {
        $this->rounds(function (RandomContent $random): void {
            $old = $random->document(1 + $random->under(20));
            $new = $random->edited($old, $random->under(8));
            $shown = [];
            $open = Layout::of($old, $new, TreeCompare::of($old, $new));
            while ($open !== []) {
                $marked = array_pop($open);
                $shown[] = $marked->part->id;
                array_push($open, ...$marked->children);
            }
            $both = array_unique([...array_column($old->parts, 'id'), ...array_column($new->parts, 'id')]);
            sort($shown);
            sort($both);
            self::assertSame($both, $shown);
        });
    }

    public function test_every_change_is_in_a_statement(): void
    {
        $kind = new DocumentKind;
        $this->rounds(function (RandomContent $random) use ($kind): void {
            $old = $random->document(1 + $random->under(20));
            $new = $random->edited($old, $random->under(8));
            $changes = TreeCompare::of($old, $new);
            $said = [];
            foreach (Statements::of($kind, $old, $new, $changes) as $statement) {
                foreach ($statement->ids as $id) {
                    $said[$statement->type->value.$id] = true;
                }
            }
            foreach ($changes->changes as $change) {
                self::assertArrayHasKey($change->type->value.$change->id, $said);
            }
        });
    }

    public function test_merging_with_an_unchanged_side_gives_the_other(): void
    {
        $this->rounds(function (RandomContent $random): void {
            $base = $random->document(1 + $random->under(20));
            $one = $random->edited($base, 1 + $random->under(8));
            self::assertSame($this->records($one), $this->records(TreeMerge::of($base, $base, $one)->tree));
            self::assertSame($this->records($one), $this->records(TreeMerge::of($base, $one, $base)->tree));
            self::assertSame($this->records($one), $this->records(TreeMerge::of($base, $one, $one)->tree));
            self::assertSame([], TreeMerge::of($base, $one, $one)->conflicts);
        });
    }

    public function test_merging_commutes_where_nothing_met(): void
    {
        $clean = 0;
        $this->rounds(function (RandomContent $random) use (&$clean): void {
            [$base, $one, $two] = $this->fork($random);
            $merge = TreeMerge::of($base, $one, $two);
            $back = TreeMerge::of($base, $two, $one);
            self::assertSame($merge->conflicts === [], $back->conflicts === []);
            if ($merge->conflicts === []) {
                $clean++;
                self::assertSame($this->records($merge->tree), $this->records($back->tree));
            }
        });
        self::assertGreaterThan(self::ROUNDS / 8, $clean, 'Too few rounds without a conflict to prove anything');
    }

    public function test_a_merge_loses_nothing_that_one_side_added_and_the_other_left_alone(): void
    {
        $this->rounds(function (RandomContent $random): void {
            [$base, $one, $two] = $this->fork($random);
            $merge = TreeMerge::of($base, $one, $two);
            PartTree::of($merge->tree->parts);
            $held = [];
            foreach ($merge->conflicts as $conflict) {
                foreach ($conflict->mine as $part) {
                    $held[$part->id] = true;
                }
            }
            foreach (TreeCompare::of($base, $two)->of(ChangeType::Added) as $change) {
                self::assertTrue($merge->tree->has($change->id) || isset($held[$change->id]), "{$change->id} is lost");
            }
            foreach ($one->parts as $part) {
                self::assertTrue($merge->tree->has($part->id) || ! $two->has($part->id), "{$part->id} of theirs is lost");
            }
        });
    }

    public function test_a_merge_repaired_still_fits_the_schema(): void
    {
        $kind = new DocumentKind;
        $this->rounds(function (RandomContent $random) use ($kind): void {
            [$base, $one, $two] = $this->fork($random);
            $tree = $kind->repair(TreeMerge::of($base, $one, $two)->tree);
            $sent = json_decode((string) json_encode(array_map(fn (Part $part) => $part->toJson(), $tree->parts)), true);
            self::assertSame([], $kind->read($sent, new Limits)->problems);
        });
    }

    public function test_what_is_stored_comes_back_and_the_root_depends_on_the_content_alone(): void
    {
        $this->rounds(function (RandomContent $random): void {
            $store = new TreeStore(new MemoryChunkStore);
            $first = $random->document($random->under(300));
            $second = $random->edited($first, 1 + $random->under(5));
            $near = $store->keep($first);
            $root = $store->keep($second, $near);
            self::assertSame($this->records($second), $this->records($store->tree($root)));
            self::assertSame($root, (new TreeStore(new MemoryChunkStore))->keep($second));
            $position = $random->under(max(1, $second->count()));
            self::assertSame(($second->parts[$position] ?? null)?->record(), $store->part($root, $position)?->record());
        }, 60);
    }

    /** @param \Closure(RandomContent): void $property */
    private function rounds(\Closure $property, int $rounds = self::ROUNDS): void
    {
        for ($round = 0; $round < $rounds; $round++) {
            $random = new RandomContent(self::$seed + $round);
            try {
                $property($random);
            } catch (\Throwable $e) {
                throw new \RuntimeException("SEED={$random->seed}: {$e->getMessage()}", 0, $e);
            }
        }
    }

    /** @return array{PartTree, PartTree, PartTree} a base and two ways on from it */
    private function fork(RandomContent $random): array
    {
        $base = $random->document(4 + $random->under(20));
        $one = (new RandomContent($random->seed + 1_000_000, 'q'))->edited($base, 1 + $random->under(4));
        $two = (new RandomContent($random->seed + 2_000_000, 'r'))->edited($base, 1 + $random->under(4));

        return [$base, $one, $two];
    }

    /** @return list<string> */
    private function records(PartTree $tree): array
    {
        return array_map(fn (Part $part) => $part->record(), $tree->parts);
    }
}
