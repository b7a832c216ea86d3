<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Sequences\Alignment;
use MistyAttic\Core\Sequences\Increasing;
use MistyAttic\Core\Sequences\Sequences;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class SequencesTest extends TestCase
{
    public function test_it_finds_nearly_as_much_in_common_as_the_full_table_does(): void
    {
        $this->assertNearlyAll(array_map(fn (int $seed): array => $this->lists($seed, 40, 6), range(1, 300)));
    }

    public function test_without_anchors_it_finds_exactly_as_much_as_the_full_table(): void
    {
        for ($seed = 1; $seed <= 300; $seed++) {
            [$old, $new] = $this->lists($seed, 30, 3);
            $old = [...$old, ...$old, 'x', 'x'];
            $new = [...$new, ...$new, 'y', 'y'];
            $alignment = Sequences::align($old, $new);
            $this->assertFits($alignment, $old, $new);
            self::assertTrue($alignment->exact);
            self::assertSame($this->longestCommon($old, $new), $this->kept($alignment), "seed {$seed}");
        }
    }

    #[Group('slow')]
    public function test_of_what_reads_like_a_text_it_finds_nearly_all_however_it_was_edited(): void
    {
        $pairs = [];
        for ($seed = 1; $seed <= 120; $seed++) {
            $random = new Randomizer(new Mt19937($seed));
            // Every fourth line is one that comes again and again, as ends of blocks and empty lines do.
            $old = array_map(
                fn (int $i): string => $random->getInt(0, 3) === 0 ? ['}', '', '    }', '];'][$random->getInt(0, 3)] : "line {$i}",
                range(1, $seed % 6 === 0 ? 400 : $random->getInt(20, 150)),
            );
            $new = [];
            $percent = [2, 10, 30, 60][$seed % 4];
            foreach ($old as $line) {
                $what = $random->getInt(1, 100) <= $percent ? $random->getInt(0, 3) : 4;
                array_push($new, ...match ($what) {
                    0 => [],
                    1 => ["new {$random->getInt(0, 99_999)}"],
                    2 => [$line, '}', ''],
                    3 => [$old[$random->getInt(0, count($old) - 1)], $line],
                    default => [$line],
                });
            }
            if ($seed % 3 === 0) {
                $block = array_splice($new, $random->getInt(0, intdiv(count($new), 2)), $random->getInt(1, 12));
                array_splice($new, $random->getInt(0, count($new)), 0, $block);
            }
            array_push($pairs, [$old, $new], [$new, $old]);
        }
        $this->assertNearlyAll($pairs);
    }

    #[Group('slow')]
    public function test_of_the_words_of_a_long_text_it_finds_nearly_all_though_few_are_different(): void
    {
        $pairs = [];
        for ($seed = 1; $seed <= 40; $seed++) {
            $random = new Randomizer(new Mt19937($seed));
            $word = fn (): string => 'w'.$random->getInt(0, [3, 12, 40][$seed % 3]);
            $words = array_map(fn (): string => $word(), range(1, 160));
            $changed = [];
            foreach ($words as $each) {
                $what = $random->getInt(1, 100) <= [3, 8, 25][$seed % 3] ? $random->getInt(0, 2) : 3;
                array_push($changed, ...[[], [$word()], [$word(), $each], [$each]][$what]);
            }
            // Words and the spaces between them.
            $pairs[] = [
                preg_split('/( )/', implode(' ', $words), -1, PREG_SPLIT_DELIM_CAPTURE) ?: [],
                preg_split('/( )/', implode(' ', $changed), -1, PREG_SPLIT_DELIM_CAPTURE) ?: [],
            ];
        }
        $this->assertNearlyAll($pairs);
    }

    public function test_in_a_long_text_a_word_that_came_or_went_is_not_taken_for_others(): void
    {
        $text = array_merge(...array_map(fn (int $i): array => ['w'.$i % 9, ' '], range(1, 200)));
        $with = [...array_slice($text, 0, 100), 'here', ' ', ...array_slice($text, 100)];
        self::assertSame([[100, 100, 100, 102]], Sequences::align($text, $with)->gaps());
        self::assertSame([[100, 102, 100, 100]], Sequences::align($with, $text)->gaps());
        $other = array_values(array_replace($text, [100 => 'here', 104 => 'there']));
        self::assertSame([[100, 101, 100, 101], [104, 105, 104, 105]], Sequences::align($text, $other)->gaps());
    }

    public function test_in_a_long_varied_list_one_equal_element_alone_does_not_end_a_difference(): void
    {
        $lines = array_map(fn (int $i): string => "line {$i}", range(1, 300));
        // The brace behind the line that went is not the one that is there now: that belongs to what came.
        $old = ['first', ...$lines, 'gone', '}', 'one', 'two', 'three', 'last'];
        $new = ['FIRST', ...$lines, '}', 'came', 'gone', '}', 'one', 'two', 'three', 'LAST'];
        self::assertSame([[0, 1, 0, 1], [301, 301, 301, 303], [306, 307, 308, 309]], Sequences::align($old, $new)->gaps());
    }

    public function test_past_the_cap_it_says_so_and_still_keeps_what_is_easy(): void
    {
        $random = new Randomizer(new Mt19937(7));
        $old = $new = [];
        for ($i = 0; $i < 3000; $i++) {
            $old[] = (string) $random->getInt(0, 40);
            $new[] = (string) $random->getInt(0, 40);
        }
        $alignment = Sequences::align($old, $new, 32);
        $this->assertFits($alignment, $old, $new);
        self::assertFalse($alignment->exact);
        self::assertGreaterThan(600, $this->kept($alignment));
    }

    public function test_empty_and_equal_lists(): void
    {
        self::assertSame([], Sequences::align([], [])->gaps());
        self::assertSame([], Sequences::align(['a', '1', '01'], ['a', '1', '01'])->gaps());
        self::assertSame([[0, 0, 0, 2]], Sequences::align([], ['a', 'b'])->gaps());
        self::assertSame([[0, 1, 0, 1]], Sequences::align(['1'], ['01'])->gaps());
    }

    public function test_the_longest_increasing_run(): void
    {
        self::assertSame([1 => 1, 2 => 2, 4 => 3], Increasing::longest([5, 1, 2, 9, 3]));
        self::assertSame([], Increasing::longest([]));
        self::assertSame([5, 6, 7, 5 => 9], Increasing::longest([5, 6, 7, 0, 4, 9]), 'a run stays together');
    }

    #[DataProvider('cuts')]
    public function test_runs_that_changed_places_leave_as_many_in_order_as_their_values_one_by_one(int $cuts): void
    {
        $random = new Randomizer(new Mt19937($cuts));
        $values = range(0, 299);
        for ($i = 0; $i < $cuts; $i++) {
            $cut = array_splice($values, $random->getInt(0, count($values) - 1), $random->getInt(1, 60));
            array_splice($values, $random->getInt(0, count($values)), 0, $cut);
        }
        $longest = Increasing::longest($values);
        $before = -1;
        foreach ($longest as $value) {
            self::assertGreaterThan($before, $value);
            $before = $value;
        }
        $most = [];
        foreach ($values as $at => $value) {
            $most[] = 1 + max(0, 0, ...array_map(fn (int $other) => $values[$other] < $value ? $most[$other] : 0, array_keys($most)));
        }
        self::assertCount(max(0, 0, ...$most), $longest);
    }

    /** @return iterable<array{int}> */
    public static function cuts(): iterable
    {
        return array_map(fn (int $cuts) => [$cuts], [1, 2, 3, 5, 8, 13, 40, 300]);
    }

    /** @return array{list<string>, list<string>} */
    private function lists(int $seed, int $length, int $letters): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $make = fn () => array_map(fn () => chr(97 + $random->getInt(0, $letters - 1)), range(1, $random->getInt(1, $length)));

        return [$make(), $make()];
    }

    /**
     * @param  list<string>  $old
     * @param  list<string>  $new
     */
    private function assertFits(Alignment $alignment, array $old, array $new): void
    {
        $lastOld = $lastNew = -1;
        foreach ($alignment->pairs() as $o => $n) {
            self::assertSame($old[$o], $new[$n]);
            self::assertGreaterThan($lastOld, $o);
            self::assertGreaterThan($lastNew, $n);
            [$lastOld, $lastNew] = [$o, $n];
        }
    }

    /**
     * Anchors may miss a little of the longest common subsequence, never much.
     *
     * @param  list<array{list<string>, list<string>}>  $pairs
     */
    private function assertNearlyAll(array $pairs): void
    {
        $common = $most = 0;
        foreach ($pairs as [$old, $new]) {
            $alignment = Sequences::align($old, $new);
            $this->assertFits($alignment, $old, $new);
            $common += $this->kept($alignment);
            $most += $this->longestCommon($old, $new);
        }
        self::assertLessThanOrEqual($most, $common);
        self::assertGreaterThan(0.99 * $most, $common);
    }

    private function kept(Alignment $alignment): int
    {
        return array_sum(array_column($alignment->runs, 2));
    }

    /**
     * The slow, plain judge: the table of all prefixes.
     *
     * @param  list<string>  $old
     * @param  list<string>  $new
     */
    private function longestCommon(array $old, array $new): int
    {
        $row = array_fill(0, count($new) + 1, 0);
        foreach ($old as $element) {
            $before = $row;
            foreach ($new as $j => $other) {
                $row[$j + 1] = $element === $other ? $before[$j] + 1 : max($before[$j + 1], $row[$j]);
            }
        }

        return $row[count($new)];
    }
}
