<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Kinds;
use PHPUnit\Framework\Attributes\DataProvider;

/** Several things of a state that were chosen: brought back by one plan, or copied out as an item of their own. */
final class ChosenTest extends FeatureCase
{
    private User $ines;

    private Shelf $shelf;

    protected function setUp(): void
    {
        parent::setUp();
        $this->ines = $this->person('Ines Oduya');
        $this->shelf = $this->shelf('Volunteers', [[$this->ines, Role::Owner]]);
        $this->actingAs($this->ines);
    }

    public function test_what_was_chosen_is_ticked_and_comes_back_and_nothing_else(): void
    {
        $item = $this->document($this->shelf, $this->ines, 'Kettle', 'Toaster', 'Lamp', 'Radio');
        $parts = $this->tree($item)->parts;
        $this->travel(5)->minutes();
        $this->save($item, $this->ines, PartTree::of([$parts[3]]));
        $plan = (string) $this->get(route('restore', [$item, 2, 'parts' => "{$parts[0]->id},{$parts[2]->id}"]))->assertOk()->getContent();
        preg_match_all('/name="pick\[\]" value="(\d+)" form="restore"\s+checked/', $plan, $ticked);
        self::assertCount(2, $ticked[1]);
        $this->post(route('restore.store', [$item, 2]), [
            'seen' => 3,
            'lines' => substr_count($plan, 'name="pick[]"'),
            'pick' => $ticked[1],
        ])->assertSessionHasNoErrors();
        self::assertSame(['Kettle', 'Lamp', 'Radio'], $this->texts($item->refresh()));
    }

    public function test_a_plan_shows_how_it_will_be_and_writes_nothing(): void
    {
        $item = $this->document($this->shelf, $this->ines, 'Kettle', 'Toaster', 'Lamp');
        $parts = $this->tree($item)->parts;
        $this->travel(5)->minutes();
        $this->save($item, $this->ines, PartTree::of([$parts[2]]));
        $plan = (string) $this->get(route('restore', [$item, 2, 'parts' => $parts[0]->id]))->getContent();
        preg_match('/name="pick\[\]" value="(\d+)" form="restore"\s+checked/', $plan, $ticked);
        $pick = [$ticked[1] ?? ''];
        $chunks = DB::table('chunks')->count();
        $seen = $this->post(route('restore.seen', [$item, 2]), ['seen' => 3, 'lines' => 2, 'pick' => $pick])->assertOk();
        $seen->assertSeeText('One thing will change')->assertSeeText('Kettle')->assertSeeText('Lamp')->assertDontSeeText('Toaster');
        $seen->assertSee('name="pick[0]" value="'.$pick[0].'"', false);
        self::assertSame([3, $chunks], [$item->refresh()->head, DB::table('chunks')->count()]);
        // Nothing that is written later goes where that was kept.
        self::assertFalse($this->app->isShared(States::class));
        // What it showed is what comes of it.
        $this->post(route('restore.store', [$item, 2]), ['seen' => 3, 'lines' => 2, 'pick' => $pick])->assertSessionHasNoErrors();
        self::assertSame(['Kettle', 'Lamp'], $this->texts($item->refresh()));
        $this->post(route('restore.seen', [$item, 2]), ['seen' => 3])->assertSessionHasErrors('seen');
    }

    public function test_what_is_the_same_ticks_nothing_and_says_so(): void
    {
        $item = $this->document($this->shelf, $this->ines, 'Kettle', 'Toaster');
        $parts = $this->tree($item)->parts;
        $this->travel(5)->minutes();
        $this->save($item, $this->ines, PartTree::of([$parts[0]]));
        $this->get(route('restore', [$item, 2, 'parts' => $parts[0]->id]))
            ->assertSeeText('What you chose is the same')
            ->assertDontSee('checked', false);
        // What is no part is passed over: it is the plan of all.
        $this->get(route('restore', [$item, 2, 'parts' => '<b>,,../x']))->assertDontSeeText('What you chose')->assertSee('checked', false);
    }

    public function test_cells_come_back_alone_and_with_the_row_that_went(): void
    {
        $sheet = $this->sheet();
        $tree = $this->tree($sheet);
        $this->travel(5)->minutes();
        $changed = array_values(array_filter(array_map(fn (Part $part) => match ($part->id) {
            'row1' => $part->with('colx', 'Toaster')->with('coly', 9), 'row2' => null, default => $part,
        }, $tree->parts)));
        $this->save($sheet, $this->ines, PartTree::of($changed));
        foreach ([['row1/colx', ['colx' => 'Kettle', 'coly' => 9]], ['row2/coly', ['colx' => 'Lamp', 'coly' => 2]]] as [$cell, $row]) {
            $plan = (string) $this->get(route('restore', [$sheet->refresh(), 2, 'parts' => $cell]))->assertOk()->getContent();
            preg_match_all('/name="pick\[\]" value="(\d+)" form="restore"\s+checked/', $plan, $ticked);
            self::assertCount(1, $ticked[1], $cell);
            $this->post(route('restore.store', [$sheet, 2]), [
                'seen' => $sheet->head,
                'lines' => substr_count($plan, 'name="pick[]"'),
                'pick' => $ticked[1],
            ])->assertSessionHasNoErrors();
            self::assertSame($row, $this->tree($sheet->refresh())->get(explode('/', $cell)[0])->fields);
        }
        self::assertSame(9, $this->tree($sheet)->get('row1')->fields['coly'], 'what was not chosen stays');
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function chosen(): iterable
    {
        yield 'a row with its columns' => ['row2', ['tab1', 'colx', 'coly', 'row2']];
        yield 'a cell, with its row' => ['row2/colx', ['tab1', 'colx', 'coly', 'row2']];
        yield 'rows of two tabs' => ['row1,row3', ['tab1', 'colx', 'coly', 'row1', 'tab2', 'colz', 'row3']];
        yield 'a tab' => ['tab2', ['tab2', 'colz', 'row3', 'row4']];
    }

    /** @param list<string> $ids */
    #[DataProvider('chosen')]
    public function test_what_was_chosen_is_copied_out_as_an_item_of_its_own(string $parts, array $ids): void
    {
        $sheet = $this->sheet();
        $this->get(route('copy', [$sheet, 2, 'parts' => $parts]))->assertOk()->assertSeeText('you chose');
        $this->post(route('copy.store', [$sheet, 2]), [
            'title' => 'Some',
            'shelf' => $this->shelf->key,
            'parts' => $parts,
        ])->assertSessionHasNoErrors();
        self::assertSame($ids, array_column($this->tree(Item::query()->where('title', 'Some')->firstOrFail())->parts, 'id'));
        $this->assertVerified();
    }

    public function test_what_is_not_there_or_can_not_stand_alone_is_not_copied(): void
    {
        $sheet = $this->sheet();
        $this->post(route('copy.store', [$sheet, 2]), [
            'title' => 'Some',
            'shelf' => $this->shelf->key,
            'parts' => 'nothing',
        ])->assertSessionHasErrors('parts');
        self::assertFalse(Item::query()->where('title', 'Some')->exists());
    }

    private function sheet(): Item
    {
        $row = fn (string $id, array $cells): Part => new Part($id, 'row', 1, $cells);
        $sheet = $this->app
            ->make(MakeItem::class)
            ->handle(
                $this->shelf,
                $this->ines,
                'spreadsheet',
                'Log',
                content: new Content(
                    Kinds::named('spreadsheet'),
                    PartTree::of([
                        new Part('tab1', 'tab', 0, ['name' => 'One', 'frozen' => 0]),
                        new Part('colx', 'column', 1, ['width' => 0, 'format' => '']),
                        new Part('coly', 'column', 1, ['width' => 0, 'format' => '']),
                        $row('row1', ['colx' => 'Kettle', 'coly' => 1]),
                        $row('row2', ['colx' => 'Lamp', 'coly' => 2]),
                        new Part('tab2', 'tab', 0, ['name' => 'Two', 'frozen' => 0]),
                        new Part('colz', 'column', 1, ['width' => 0, 'format' => '']),
                        $row('row3', ['colz' => 'Radio']),
                    ]),
                ),
                keepIds: true,
            );
        $this->travel(5)->minutes();
        $this->save($sheet, $this->ines, PartTree::of([...$this->tree($sheet)->parts, $row('row4', ['colz' => 'Clock'])]));

        return $sheet->refresh();
    }
}
