<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Item;
use App\Models\Role;
use App\Store\TouchesBetween;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\History\Answerable;
use MistyAttic\Core\History\Touch;

/** What is long is looked back at in pieces: no page of it grows with the whole. */
final class LongHistoryTest extends FeatureCase
{
    private Item $item;

    protected function setUp(): void
    {
        parent::setUp();
        $ines = $this->person('Ines Oduya');
        $this->item = $this->document($this->shelf('Volunteers', [[$ines, Role::Owner]]), $ines, 'one');
        $text = fn (string $end, int $step): PartTree => PartTree::of(
            array_map(
                fn (int $at): Part => new Part(
                    "p{$at}x",
                    $at % 5 === 1 ? 'heading' : 'paragraph',
                    0,
                    ['text' => RichText::plain("Line {$at}".($at % $step === 0 ? " {$end} ".$at * 7 : ''))]
                        + ($at % 5 === 1 ? ['level' => 2] : []),
                ),
                range(1, 2500),
            ),
        );
        $this->save($this->item, $ines, $text('before', 3));
        $this->travel(5)->minutes();
        $this->save($this->item, $ines, $text('after', 3));
        $this->actingAs($ines);
    }

    public function test_each_view_shows_a_piece_and_leads_to_the_others(): void
    {
        foreach (
            ['changed' => ['layout' => 'together'], 'side' => ['layout' => 'side'], 'was' => ['view' => 'was'], 'who' => ['view' => 'who']] as $name => $view
        ) {
            $page = $this->get(route('history', ['item' => $this->item, 'from' => 3, 'to' => 4, ...$view]))
                ->assertOk()
                ->assertSee('piece 1 of 3')
                ->assertSee('id="part-p1x"', false)
                ->assertDontSee('id="part-p1500x"', false);
            self::assertLessThan(3_000_000, strlen((string) $page->getContent()), $name);
        }
        $this->get(route('history', ['item' => $this->item, 'from' => 3, 'to' => 4, 'piece' => 2]))
            ->assertOk()
            ->assertSee('piece 2 of 3')
            ->assertSee('id="part-p1500x"', false)
            ->assertDontSee('id="part-p1x"', false);
        $this->get(route('history', ['item' => $this->item, 'from' => 3, 'to' => 4, 'piece' => 77]))->assertSee('piece 3 of 3');
        // A change in another piece is one press away.
        $this->get(route('history', ['item' => $this->item, 'from' => 3, 'to' => 4]))->assertSee('piece=2#part-p', false);
    }

    public function test_of_very_many_versions_the_ends_say_who_and_between_which(): void
    {
        $people = [$this->person('Tobi Falk')->id, $this->person('Nell Warwick')->id, $this->person('Jun Abara')->id];
        mt_srand($seed = random_int(1, 1 << 30));
        $rows = [];
        foreach (['pone1', 'pone2', 'pone3'] as $part) {
            for ($number = 5; $number < 1_500; $number += mt_rand(1, 3)) {
                $rows[] = [
                    'item_id' => $this->item->id,
                    'part' => $part,
                    'number' => $number,
                    'user_id' => $people[min(2, mt_rand(0, 5))],
                    'what' => [
                        ChangeType::Edited->bit(),
                        ChangeType::Edited->bit() | ChangeType::Moved->bit(),
                        ChangeType::Removed->bit(),
                        ChangeType::Added->bit(),
                    ][mt_rand(0, 3)],
                    'position' => mt_rand(0, 9),
                ];
            }
        }
        foreach (array_chunk($rows, 500) as $batch) {
            DB::table('touches')->insert($batch);
        }
        $between = new TouchesBetween($this->item, 20, 1_400, ['pone1', 'pone2', 'pone3', 'none1']);
        self::assertTrue($between->areEnds);
        self::assertLessThan(200, array_sum(array_map(count(...), $between->of)));
        foreach (['pone1', 'pone2', 'pone3'] as $part) {
            $all = array_values(
                array_map(
                    fn (array $row) => new Touch($part, $row['number'], $row['user_id'], $row['what'], $row['position']),
                    array_filter($rows, fn (array $row) => $row['part'] === $part && $row['number'] > 20 && $row['number'] <= 1_400),
                ),
            );
            foreach (ChangeType::cases() as $type) {
                [$exact, $ends] = [Answerable::for($type, $all), Answerable::for($type, $between->of[$part])];
                $told = fn (array $touches): array => [
                    $touches[0]->number,
                    $touches[count($touches) - 1]->number,
                    $touches[count($touches) - 1]->editor,
                    array_values(
                        array_unique(
                            array_map(fn (Touch $touch) => $touch->editor, Arr::sort($touches, fn (Touch $touch) => $touch->editor)),
                        ),
                    ),
                ];
                self::assertSame($told($exact), $told($ends), "seed {$seed}: {$type->value} of {$part}");
            }
        }
        self::assertFalse((new TouchesBetween($this->item, 20, 60, ['pone1']))->areEnds);
    }
}
