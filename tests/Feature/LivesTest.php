<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\DeleteForGood;
use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\Store\Lives\Life;
use App\Store\Lives\LifeBlock;
use App\Store\Lives\LifeBlocks;
use App\Store\Lives\Lives;
use App\View\Finding\Asked;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\PartTree;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Lives of texts in their blocks, held against a plain list of them: of two items and two entries of one, with much that goes, so that
 * blocks close and divide.
 */
final class LivesTest extends FeatureCase
{
    private Randomizer $random;

    private User $user;

    /** @var array<int, Item> */
    private array $items = [];

    /** @var array<int, list<Life>> by item: what should be there */
    private array $lives = [];

    protected function setUp(): void
    {
        parent::setUp();
        $seed = (int) (getenv('SEED') ?: random_int(1, 99_999));
        fwrite(STDERR, "lives in blocks: SEED={$seed}\n");
        $this->random = new Randomizer(new Mt19937($seed));
        $this->user = User::factory()->create();
        $shelf = Shelf::factory()->with($this->user)->create();
        foreach (range(1, 4) as $ignored) {
            $item = $this->document($shelf, $this->user, 'A text');
            (new Lives)->forget([$item->id]);
            [$this->items[$item->id], $this->lives[$item->id]] = [$item, []];
        }
        [$form, $other, $one, $two] = array_keys($this->items);
        foreach ([$one, $two] as $at => $entry) {
            DB::table('items')->where('id', $entry)->update(['form_id' => $form, 'number' => $at + 1]);
            $this->items[$entry]->form_id = $form;
        }
        for ($number = 2; $number < 60; $number++) {
            $this->write(array_keys($this->items)[$this->random->getInt(0, 3)], $number);
        }
        self::assertNotSame($form, $other);
        self::assertGreaterThan(3, DB::table('lives')->where('closed', 0)->count());
        self::assertGreaterThan(1, DB::table('lives')->where('closed', 1)->count());
    }

    /** Some texts of an item become others. */
    private function write(int $id, int $number): void
    {
        $blocks = new LifeBlocks($this->items[$id]);
        for ($texts = $this->random->getInt(1, 25); $texts > 0; $texts--) {
            $part = sprintf('p%02d', $this->random->getInt(0, 30));
            $end = fn (array $lives): array => array_values(
                array_filter(
                    array_map(
                        fn (Life $life): Life => $life->part === $part && $life->gone === null ? $life->until($number) : $life,
                        $lives,
                    ),
                    fn (Life $life) => $life->from !== $life->gone,
                ),
            );
            $new = new Life(
                $id,
                $part,
                'text',
                $number,
                null,
                $this->text(),
                $this->random->getInt(0, 9) === 0 ? "=SUM(A{$number};\"\0\")" : null,
            );
            $blocks->put($part, [...$end($blocks->of($part)), $new]);
            $this->lives[$id] = [...$end($this->lives[$id]), $new];
        }
        $blocks->save();
    }

    private function text(): string
    {
        return implode(
            ' ',
            array_map(
                fn () => ['Lampe', 'größer', "two\nlines", 'C:\\new', '“quoted”', 'soldering', '15', 'Ωmega', 'socket', "odd \x1f\0sign"][
                    $this->random->getInt(0, 9)
                ],
                range(1, $this->random->getInt(1, 30)),
            ),
        );
    }

    private function assertAsTheList(): void
    {
        foreach ($this->items as $id => $item) {
            self::assertSame(self::said($this->lives[$id]), self::said(iterator_to_array((new LifeBlocks($item))->lives(), false)));
        }
        foreach (['solder', 'grosse', 'omega', 'two lines', 'c:\\new', 'sum(a'] as $piece) {
            $held = (new Lives)->holding(
                DB::table('items')->whereIn('items.id', array_keys($this->items)),
                [$piece],
                '',
                10_000,
                10_000,
                fn (array $lives): array => $lives,
            );
            $should = array_filter(
                array_merge(...$this->lives),
                fn (Life $life) => str_contains(Lives::folded(str_replace("\n", ' ', $life->read())), $piece),
            );
            self::assertSame([self::said(array_values($should)), false], [self::said($held[0]), $held[1]], $piece);
            // Where there is more, the index leads to every block that holds it.
            $known = DB::table('found')
                ->whereRaw('found MATCH ?', [(new Asked("\"{$piece}\""))->match()])
                ->selectRaw('DISTINCT rowid / '.LifeBlocks::PAGES.' AS block')
                ->pluck('block')
                ->all();
            $holds = array_filter(
                iterator_to_array(LifeBlocks::everywhere(), false),
                fn (LifeBlock $block) => array_filter($block->texts(), fn (string $page) => str_contains($page, $piece)) !== [],
            );
            self::assertSame(
                [],
                array_values(array_diff(array_map(fn (LifeBlock $block) => $block->id, $holds), array_map(intval(...), $known))),
                $piece,
            );
        }
        Artisan::call('attic:verify');
        self::assertStringNotContainsString('the index of what is found differs', Artisan::output());
    }

    /**
     * @param  list<Life>  $lives
     * @return list<string>
     */
    private static function said(array $lives): array
    {
        $said = array_map(fn (Life $life): string => (string) json_encode($life), $lives);
        sort($said);

        return $said;
    }

    public function test_what_is_kept_in_blocks_is_all_there_and_found(): void
    {
        $this->assertAsTheList();
        self::assertSame([], (new Lives)->there($this->items[(int) array_key_first($this->items)], 'none'));
        // Of those who may see one entry, nothing else in its block is found.
        $entry = array_key_last($this->items);
        $held = (new Lives)->holding(
            DB::table('items')->where('items.id', $entry),
            ['lampe'],
            '',
            10_000,
            10_000,
            fn (array $lives): array => $lives,
        );
        self::assertSame([$entry], array_values(array_unique(array_map(fn (Life $life) => $life->item, $held[0]))));
    }

    public function test_one_part_with_very_much_in_it_is_found_as_well(): void
    {
        $item = $this->items[array_key_first($this->items) ?? 0];
        foreach ([100, 101] as $number) {
            $blocks = new LifeBlocks($item);
            $lives = array_map(
                fn (int $at): Life => new Life(
                    $item->id,
                    'much',
                    "field{$at}",
                    $number,
                    null,
                    "This is socket {$at} ".str_repeat("of {$number} ", 150),
                ),
                range(1, 60),
            );
            $blocks->put('much', [...array_map(fn (Life $life): Life => $life->until($number), $blocks->of('much')), ...$lives]);
            $blocks->save();
            $this->lives[$item->id] = [
                ...array_map(
                    fn (Life $life): Life => $life->part === 'much' && $life->gone === null ? $life->until($number) : $life,
                    $this->lives[$item->id],
                ),
                ...$lives,
            ];
        }
        $this->assertAsTheList();
        $pages = array_merge(
            ...array_map(
                fn (LifeBlock $block): array => array_map(
                    fn (int $page): int => (int) $block->id * LifeBlocks::PAGES + $page,
                    array_keys($block->texts()),
                ),
                iterator_to_array(LifeBlocks::everywhere(), false),
            ),
        );
        self::assertSame(array_unique($pages), $pages);
    }

    public function test_a_version_that_grows_takes_back_what_it_did_and_versions_that_go_leave_what_is_around_them(): void
    {
        foreach ($this->items as $id => $item) {
            $last = max(0, ...array_map(fn (Life $life) => max($life->from, (int) $life->gone), $this->lives[$id]));
            $blocks = new LifeBlocks($item);
            $grew = fn (Life $life): ?Life => $life->from === $last ? null : ($life->gone === $last ? $life->until(null) : $life);
            $blocks->change($last, $last, $grew);
            $blocks->save();
            $this->lives[$id] = array_values(array_filter(array_map($grew, $this->lives[$id])));
        }
        $this->assertAsTheList();
        foreach ($this->items as $id => $item) {
            (new Lives)->close($item, 10, 30, $item->kind(), fn () => PartTree::of([]));
            $left = array_values(
                array_filter(
                    array_map(
                        fn (Life $life): Life => $life->between(
                            self::kept($life->from),
                            $life->gone === null ? null : self::kept($life->gone),
                        ),
                        $this->lives[$id],
                    ),
                    fn (Life $life) => $life->gone === null || $life->from < $life->gone,
                ),
            );
            // What was gone between, and is as before, was there all the time.
            foreach ($left as $at => $life) {
                foreach ($life->gone === 30 ? $left : [] as $later => $again) {
                    if ([$again->from, $again->part, $again->text] === [30, $life->part, $life->text]) {
                        $left[$at] = $life->until($again->gone);
                        unset($left[$later]);
                    }
                }
            }
            $this->lives[$id] = array_values($left);
        }
        $this->assertAsTheList();
    }

    private static function kept(int $number): int
    {
        return $number > 10 && $number < 30 ? 30 : $number;
    }

    public function test_a_copy_is_found_as_far_as_it_goes_and_what_is_deleted_for_good_is_not_found(): void
    {
        [$form, $other, $one, $two] = array_keys($this->items);
        $copy = $this->document($this->items[$form]->shelf, $this->user, 'A copy');
        (new Lives)->forget([$copy->id]);
        self::assertTrue((new Lives)->copy($this->items[$other], $copy, 25));
        $this->items[$copy->id] = $copy;
        $this->lives[$copy->id] = array_map(
            fn (Life $life): Life => new Life(
                $copy->id,
                $life->part,
                $life->field,
                $life->from,
                $life->gone !== null && $life->gone <= 25 ? $life->gone : null,
                $life->text,
                $life->spelled,
            ),
            array_values(array_filter($this->lives[$other], fn (Life $life) => $life->from <= 25)),
        );
        $this->assertAsTheList();
        $this->app->make(DeleteForGood::class)->item($this->items[$two], $this->user);
        unset($this->items[$two], $this->lives[$two]);
        $this->assertAsTheList();
        $this->app->make(DeleteForGood::class)->item($this->items[$form], $this->user);
        unset($this->items[$form], $this->items[$one], $this->lives[$form], $this->lives[$one]);
        $this->assertAsTheList();
        self::assertSame(0, DB::table('lives')->where('item_id', $form)->count());
    }
}
