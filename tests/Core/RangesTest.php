<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Kinds;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** After sorting or moving rows within a range it covers the same rows: held against a range that is kept as a set. */
final class RangesTest extends TestCase
{
    public function test_a_sort_leaves_the_sum_under_it_alone(): void
    {
        $rows = ['r2' => 20, 'r3' => 2700, 'r4' => 29, 'r5' => 32, 'r6' => 35];
        $before = $this->calculated($this->sheet($rows, 'r2', 'r6'));
        asort($rows);
        $after = Consequences::of(Kinds::named('spreadsheet'), $before, $this->sheet($rows, 'r2', 'r6'), '2026-05-04');
        self::assertSame(2816, Cell::result($after->get('rsum')->fields['col']));
        self::assertSame(['r2', 'r3', 'r4', 'r5', 'r6'], $this->covered($after));
    }

    #[Group('slow')]
    public function test_a_range_covers_the_same_rows_whatever_is_done_within_it(): void
    {
        $seed = (int) (getenv('SEED') ?: random_int(1, 1_000_000));
        fwrite(STDERR, "\nranges: SEED={$seed}\n");
        $random = new Randomizer(new Mt19937($seed));
        for ($round = 0; $round < 1500; $round++) {
            $all = array_map(fn (int $n): string => "row{$n}", range(1, $random->getInt(6, 20)));
            $low = $random->getInt(0, count($all) - 3);
            $high = $random->getInt($low + 1, count($all) - 1);
            $set = array_slice($all, $low, $high - $low + 1);
            $tree = $this->calculated($this->sheet(array_fill_keys($all, 0), $set[0], $set[count($set) - 1]));
            for ($step = 0, $did = []; $step < 6 && count($set) > 2; $step++) {
                [$first, $last] = [(int) array_search($set[0], $all, true), (int) array_search($set[count($set) - 1], $all, true)];
                $did[] = $deed = $random->getInt(0, 5);
                match ($deed) {
                    // Sorted within, all or some that are together.
                    0 => array_splice(
                        $all,
                        $first,
                        $last - $first + 1,
                        $random->shuffleArray(array_slice($all, $first, $last - $first + 1)),
                    ),
                    // One moved within.
                    1 => array_splice($all, $random->getInt($first, $last), 0, array_splice($all, $random->getInt($first, $last), 1)),
                    // One put in between, or outside.
                    2 => array_splice($all, $random->getInt($first + 1, $last), 0, ["new{$round}x{$step}"]),
                    3 => array_splice($all, [0, $first, $last + 1, count($all)][$random->getInt(0, 3)], 0, ["new{$round}x{$step}"]),
                    // One removed.
                    4 => array_splice($all, $random->getInt($first, $last), 1),
                    // Those below sorted among themselves.
                    default => array_splice($all, $last + 1, count($all), $random->shuffleArray(array_slice($all, $last + 1))),
                };
                // All that is between the first and the last member is in it; each deed leaves the members together.
                $places = array_keys(array_intersect($all, $deed === 2 ? [...$set, "new{$round}x{$step}"] : $set));
                self::assertNotSame([], $places);
                $set = array_slice($all, $places[0], $places[count($places) - 1] - $places[0] + 1);
                $formula = $tree->get('rsum')->fields['col'];
                $tree = Consequences::of(Kinds::named('spreadsheet'), $tree, $this->with($all, $formula), '2026-05-04');
                self::assertSame($set, $this->coveredInOrder($tree), json_encode([$round, $did, $all], JSON_THROW_ON_ERROR));
            }
        }
    }

    /** @param array<string, int> $rows */
    private function sheet(array $rows, string $from, string $to): PartTree
    {
        return $this->with(array_keys($rows), ['=', "SUM([{$from}.col]:[{$to}.col])"], $rows);
    }

    /**
     * @param  list<string>  $rows
     * @param  array<string, int>  $values
     */
    private function with(array $rows, mixed $formula, array $values = []): PartTree
    {
        return PartTree::of([
            new Part('tab', 'tab', 0, ['name' => 'One', 'frozen' => 0]), new Part('col', 'column', 1, ['width' => 0, 'format' => '']),
            ...array_map(fn (string $id): Part => new Part($id, 'row', 1, ['col' => $values[$id] ?? 1]), $rows),
            new Part('rsum', 'row', 1, ['col' => $formula]),
        ]);
    }

    private function calculated(PartTree $tree): PartTree
    {
        return Consequences::of(Kinds::named('spreadsheet'), PartTree::of([]), $tree, '2026-05-04');
    }

    /** @return list<string> */
    private function covered(PartTree $tree): array
    {
        $rows = $this->coveredInOrder($tree);
        sort($rows);

        return $rows;
    }

    /** @return list<string> */
    private function coveredInOrder(PartTree $tree): array
    {
        if (
            preg_match('/^SUM\(\[(\w+)\.col\]:\[(\w+)\.col\]\)$/', (string) Cell::formula($tree->get('rsum')->fields['col']), $found) !== 1
        ) {
            self::fail('The formula is a sum still');
        }
        $ids = array_column($tree->parts, 'id');
        [$one, $two] = [(int) array_search($found[1], $ids, true), (int) array_search($found[2], $ids, true)];

        return array_slice($ids, min($one, $two), abs($one - $two) + 1);
    }
}
