<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Making\MakeItem;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Store\Lives\Life;
use App\Store\Lives\LifeBlocks;
use App\Store\States;
use App\View\Finding\Asked;
use App\View\Finding\Finds;
use App\View\Finding\Within;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Kinds;

/** Finding in every version: what is there and what is gone, for whoever may see it. */
final class FindTest extends FeatureCase
{
    private User $ines;

    private User $tobi;

    private User $rafi;

    private Shelf $shelf;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->ines, $this->tobi, $this->rafi] = [$this->person('Ines Oduya'), $this->person('Tobi Brandt'), $this->person('Rafi Sand')];
        $this->shelf = $this->shelf('Office', [[$this->ines, Role::Owner], [$this->tobi, Role::Editor], [$this->rafi, Role::Viewer]]);
    }

    public function test_where_one_came_from_may_be_anything(): void
    {
        foreach (['nowhere', ['x' => 'y']] as $near) {
            $this->actingAs($this->ines)->get(route('find', ['q' => 'lamp', 'near' => $near]))->assertOk();
        }
    }

    public function test_a_text_that_is_gone_is_found_with_who_brought_it_and_who_took_it_out(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'Keep the spare key with the door', 'Other');
        $this->save($item, $this->ines, $this->paragraphs('Keep it shut', 'Other'));
        $this->save($item, $this->tobi, $this->paragraphs('Keep the spare key with the door', 'Other'));
        $this->save($item, $this->ines, $this->paragraphs('Other'));
        $this->save($item, $this->tobi, $this->paragraphs('Other', 'A spare key hangs here'));
        $finds = $this->found('spare key');
        self::assertSame([2, 1], [$finds->count, $finds->gone]);
        [$gone, $there] = $finds->finds;
        self::assertSame(
            [false, [[2, 3, 'Tobi', 'Ines'], [4, 5, 'Tobi', 'Ines']]],
            [$gone->isThere, array_map(fn (array $each) => [$each['from'], $each['gone'], $each['by'], $each['out']], $gone->stretches)],
        );
        self::assertSame(
            [true, [[6, null]]],
            [$there->isThere, array_map(fn (array $each) => [$each['from'], $each['gone']], $there->stretches)],
        );
        $this->actingAs($this->ines)
            ->get(route('find', ['q' => 'spare key']))
            ->assertOk()
            ->assertSee('2 stretches of text')
            ->assertSee('one of them gone')
            ->assertSee('Ines took it out in 5')
            ->assertSee('<mark>spare</mark>', false);
        $page = $this->get($gone->look())->assertOk()->assertSee('“spare key” came or went in 5')->getContent();
        preg_match('/data-history="([^"]+)"/', (string) $page, $data);
        $read = json_decode(html_entity_decode($data[1] ?? ''), true);
        self::assertSame([4, 5, [2, 3, 4, 5, 6]], [$read['from'] ?? 0, $read['to'] ?? 0, array_column($read['spots'] ?? [], 0)]);
        self::assertSame([5, 6], [$this->numberIn($there->look(), 'from'), $this->numberIn($there->look(), 'to')]);
        $this->get(route('find', ['q' => 'spare key', 'state' => 'there']))->assertSee('one stretch of text')->assertDontSee('took it out');
        $this->get(route('find', ['q' => 'spare key', 'item' => $item->key]))->assertOk()->assertSee('2 stretches');
        $this->get(route('find', ['q' => 'spare key', 'shelf' => $this->shelf->key, 'kind' => 'page']))->assertSee(
            'No version of what you chose holds that.',
        );
    }

    public function test_pieces_of_words_do_and_case_and_accents_do_not_matter_in_any_script(): void
    {
        $this->document($this->shelf, $this->tobi, 'Zubehör für die Nähmaschine', 'Ключ от сарая', '鍵は入口にあります');
        foreach (
            [
                'nahmasch' => 1,
                'NÄHM' => 1,
                'hör' => 1,
                'ключ САРАЯ' => 1,
                '"die nähmaschine"' => 1,
                '"nähmaschine die"' => 0,
                'nähmaschine zubehor' => 1,
                '入口に' => 1,
                'zzz' => 0,
                'ab' => 0,
                '%%%' => 0,
                '"" \'"' => 0,
                'nah" OR "x' => 0,
            ] as $words => $count
        ) {
            self::assertSame($count, $this->found((string) $words)->count, (string) $words);
        }
        $this->actingAs($this->ines)->get(route('find', ['q' => 'ab']))->assertOk()->assertSee('Three letters at least');
    }

    public function test_cells_titles_questions_and_answers_are_found_each_as_what_it_is(): void
    {
        $tree = PartTree::of([
            new Part('tab1', 'tab', 0, ['name' => 'Benches', 'frozen' => 0]),
            new Part('cola', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('row1', 'row', 1, ['cola' => 'Soldering iron']),
            new Part('row2', 'row', 1, ['cola' => ['=', 'LEN([row1.cola])', 14]]),
        ]);
        $sheet = $this->app
            ->make(MakeItem::class)
            ->handle(
                $this->shelf,
                $this->ines,
                'spreadsheet',
                'Tool cupboard',
                content: new Content(Kinds::named('spreadsheet'), $tree),
                keepIds: true,
            );
        self::assertSame(
            [1, 1, 1, 1],
            [
                $this->found('soldering')->count,
                $this->found('benches')->count,
                $this->found('cupboard')->count,
                $this->found('=len')->count,
            ],
        );
        // A cell that was typed over is gone, and the rest of its row is not.
        $this->save(
            $sheet,
            $this->tobi,
            $tree->parts === []
                ? $tree
                : PartTree::of([...array_slice($tree->parts, 0, 2), new Part('row1', 'row', 1, ['cola' => 'Hot air']), $tree->parts[3]]),
        );
        self::assertSame(
            [[1, 1], [1, 0]],
            array_map(fn (string $words) => [$this->found($words)->count, $this->found($words)->gone], ['soldering', 'hot air']),
        );
        $this->actingAs($this->ines)->put(route('item.rename', $sheet), ['title' => 'Tool room']);
        self::assertSame([1, 1], [$this->found('cupboard')->gone, $this->found('tool room')->count]);
    }

    public function test_nobody_finds_what_is_not_theirs_to_see(): void
    {
        $page = $this->page($this->shelf, $this->tobi, 'A hidden harbour');
        $this->document($this->shelf, $this->tobi, 'An open harbour');
        $elsewhere = $this->shelf('Elsewhere', [[$this->tobi, Role::Owner]]);
        $this->document($elsewhere, $this->tobi, 'A far harbour');
        self::assertSame(
            [3, 2, 1],
            [
                $this->found('harbour', $this->tobi)->count,
                $this->found('harbour', $this->ines)->count,
                $this->found('harbour', $this->rafi)->count,
            ],
        );
        // What was deleted is in Lost & found, and nowhere else.
        $this->actingAs($this->ines)->delete(route('item.destroy', $page));
        self::assertSame(1, $this->found('harbour', $this->ines)->count);
        $this->actingAs($this->rafi)->get(route('find', ['q' => 'harbour', 'item' => $page->key]))->assertNotFound();
        $this->get(route('find', ['q' => 'harbour', 'shelf' => $elsewhere->key]))->assertNotFound();
    }

    public function test_readers_find_what_was_published_as_it_was_published_and_nothing_else(): void
    {
        $page = $this->page($this->shelf, $this->ines, 'Kettle corner opens');
        $this->travel(5)->minutes();
        $this->save($page->refresh(), $this->tobi, $this->column('Kettle corner opens', 'Secret draft of kettles'));
        $this->actingAs($this->rafi)
            ->get(route('find', ['q' => 'kettle']))
            ->assertOk()
            ->assertDontSeeText('Kettle corner')
            ->assertDontSeeText('Secret draft');
        $this->publish($page->refresh(), $this->ines, 2);
        $this->actingAs($this->rafi)
            ->get(route('find', ['q' => 'kettle']))
            ->assertSeeText('Kettle corner opens')
            ->assertSeeText('live now')
            ->assertDontSeeText('Secret draft')
            ->assertDontSeeText('by Ines');
        $this->travel(5)->minutes();
        $this->save($page->refresh(), $this->tobi, $this->column('Toaster corner opens'));
        $this->publish($page->refresh(), $this->ines);
        $head = $page->refresh()->head;
        $found = $this->actingAs($this->rafi)
            ->get(route('find', ['q' => 'kettle', 'state' => 'gone']))
            ->assertSeeText('Kettle corner opens')
            ->assertSeeText("gone since {$head}")
            ->assertDontSeeText('Secret draft');
        // From a find in one press: its moment, of published states alone, and a copy; no drafts, no plan.
        $found
            ->assertSee(e(route('history', ['item' => $page, 'from' => 2, 'to' => $head, 'q' => 'kettle'])), false)
            ->assertDontSee('restore?part', false)
            ->assertDontSee("{$page->key}/parts", false);
        $this->get(route('history', ['item' => $page, 'from' => 2, 'to' => $head, 'q' => 'kettle']))->assertOk();
        // Who wrote, and when, is not for them, not even by asking for it.
        $this->get(route('find', ['q' => 'kettle', 'by' => $this->ines->id]))->assertDontSeeText('Kettle corner opens');
        $this->get(route('find', ['q' => 'corner', 'item' => $page->key]))
            ->assertSeeText('Toaster corner opens')
            ->assertSeeText('Kettle corner opens');
        $this->actingAs($this->ines)
            ->get(route('find', ['q' => 'kettle']))
            ->assertSeeText('Secret draft of kettles')
            ->assertSeeText('by Tobi');
        // What nobody can read any more, they do not find either.
        $this->delete(route('unpublish', $page))->assertRedirect();
        $this->actingAs($this->rafi)->get(route('find', ['q' => 'corner']))->assertDontSeeText('Toaster corner');
    }

    public function test_what_grows_is_found_as_it_is_and_what_is_thinned_with_what_is_kept(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'First words');
        foreach (['Second words', 'Third words', 'Fourth words', 'Fifth words', 'Sixth words'] as $text) {
            $this->save($item, $this->tobi, $this->paragraphs($text));
        }
        self::assertSame([1, 1], [$this->found('third')->count, $this->found('third')->gone]);
        $this->actingAs($this->ines)->delete(route('versions.delete', $item), ['from' => 3, 'to' => 4, 'reason' => 'x']);
        self::assertSame([0, 0, 1], [$this->found('second')->count, $this->found('third')->count, $this->found('fourth')->count]);
        self::assertSame(
            [2, 5],
            [$this->found('first')->finds[0]->stretches[0]['from'], $this->found('first')->finds[0]->stretches[0]['gone']],
        );
        // Read in again, it is the same.
        $before = $this->lives();
        self::assertSame(0, Artisan::call('attic:lives', ['--anew' => true]));
        self::assertSame($before, $this->lives());
        self::assertSame(1, $this->found('sixth')->count);
    }

    public function test_a_version_that_grows_leaves_only_what_it_is(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'Begin');
        $this->actingAs($this->ines)->post(route('keeping.say', $item), ['leave' => 3600, 'do' => 'keep']);
        foreach (['Typed wrongly', 'Typed rightly', 'Begin'] as $at => $text) {
            $this->save($item, $this->ines, $this->paragraphs($text));
            self::assertSame([$at === 0 ? 1 : 0, $at === 1 ? 1 : 0], [$this->found('wrongly')->count, $this->found('rightly')->count]);
        }
        self::assertSame([1, 0], [$this->found('begin')->count, $this->found('begin')->gone]);
    }

    public function test_an_entry_is_found_by_who_works_with_entries(): void
    {
        $tree = PartTree::of([
            new Part('set1', 'settings', 0, ['audience' => 'anyone']),
            new Part('page', 'page', 0, ['title' => '']),
            new Part('q001', 'question', 1, ['type' => 'short', 'text' => RichText::plain('What broke?')]),
        ]);
        $form = $this->app
            ->make(MakeItem::class)
            ->handle($this->shelf, $this->ines, 'form', 'Ask', content: new Content(Kinds::named('form'), $tree), keepIds: true);
        $this->publish($form, $this->ines);
        $this->open($form, 'ask');
        $this->post('/read/ask', ['seen' => ['q001'], 'a' => ['q001' => 'The kettle whistles']])->assertOk();
        self::assertSame(
            [1, 0, 1],
            [
                $this->found('whistles', $this->tobi)->count,
                $this->found('whistles', $this->rafi)->count,
                $this->found('what broke', $this->tobi)->count,
            ],
        );
    }

    public function test_what_is_gone_comes_back_by_a_plan_that_has_its_own_lines_ticked(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'Stays', 'Another', 'The spare key hangs here');
        $this->save($item, $this->ines, $this->paragraphs('Stays', 'Another'));
        $this->save($item, $this->tobi, $this->paragraphs('Stays'));
        $this->actingAs($this->ines)->delete(route('versions.delete', $item), ['from' => 3, 'to' => 3, 'reason' => 'x']);
        $this->save($item, $this->ines, $this->paragraphs('Stays and more'));
        $find = $this->found('spare key')->finds[0];
        self::assertSame(
            [null, $item->key.'/versions/2/restore?part='.$find->part],
            [$this->found('more')->finds[0]->back(), strstr((string) $find->back(), $item->key)],
        );
        $plan = $this->get((string) $find->back())->assertOk()->assertSee('1 come back, 0 go away')->getContent();
        self::assertSame([1, 3], [preg_match_all('/checked data-pick/', (string) $plan), preg_match_all('/data-pick>/', (string) $plan)]);
        $this->get((string) $find->copy())->assertOk();
        // Its own history knows the way over what is no longer kept, too.
        $page = (string) $this->get(route('part', [$item, $find->part]))->assertOk()->getContent();
        preg_match('~action="([^"]+/parts/[^"]+)"~', $page, $form);
        $this->post($form[1] ?? '', ['seen' => $item->refresh()->head])->assertRedirect()->assertSessionHasNoErrors();
        self::assertSame(0, $this->found('spare key')->gone);
        // Whoever may not restore is offered none.
        $this->actingAs($this->rafi);
        self::assertNull($this->found('another', $this->rafi)->finds[0]->back());
    }

    public function test_finds_are_those_of_a_person_and_of_days_and_milestones_are_among_them(): void
    {
        $this->travelTo('2026-03-02 10:00:00');
        $item = $this->document($this->shelf, $this->tobi, 'The lantern of Tobi');
        $this->travelTo('2026-03-05 10:00:00');
        $this->save($item, $this->ines, $this->paragraphs('The lantern of Tobi', 'The lantern of Ines'));
        $this->travelTo('2026-03-09 23:30:00');
        $this->save($item, $this->ines, $this->paragraphs('The lantern of Tobi'));
        $day = fn (string $day): CarbonImmutable => CarbonImmutable::parse($day);
        foreach (
            [
                [[], 2],
                [['by' => $this->tobi->id], 1],
                [['by' => $this->ines->id], 1],
                [['by' => $this->rafi->id], 0],
                [['since' => $day('2026-03-03'), 'until' => $day('2026-03-05')], 1],
                [['since' => $day('2026-03-09')], 1],
                [['until' => $day('2026-03-02')], 1],
                [['since' => $day('2026-03-10')], 0],
                [['by' => $this->tobi->id, 'since' => $day('2026-03-09')], 0],
            ] as [$asked, $count]
        ) {
            self::assertSame($count, $this->found('lantern', null, ...$asked)->count, (string) json_encode($asked));
        }
        $this->actingAs($this->tobi)->put(route('milestone.mark', [$item, 2]), [
            'name' => 'Before the Größen',
            'note' => 'as the lantern was agreed',
        ]);
        self::assertSame(['Before the Größen'], array_column($this->found('lantern')->milestones, 'name'));
        self::assertSame(
            [1, 0, 0],
            [
                count($this->found('grossen')->milestones) + count($this->found('größen')->milestones),
                count($this->found('lantern', User::factory()->create())->milestones),
                count($this->found('lantern', null, by: $this->ines->id)->milestones),
            ],
        );
        $this->get(route('find', ['q' => 'agreed', 'by' => $this->tobi->id, 'until' => '2026-03-30']))
            ->assertOk()
            ->assertSee('as the lantern was agreed')
            ->assertSee('any day');
        $this->get(route('find', ['q' => 'agreed', 'since' => 'soon']))->assertRedirect();
    }

    public function test_a_formula_that_followed_its_range_is_found_as_it_is_spelled_now(): void
    {
        $row = fn (int $at, mixed $cell): Part => new Part("row{$at}", 'row', 1, ['cola' => $cell]);
        $tree = PartTree::of([
            new Part('tab1', 'tab', 0, ['name' => 'Sums', 'frozen' => 0]),
            new Part('cola', 'column', 1, ['width' => 0, 'format' => '']),
            $row(1, 1),
            $row(2, 2),
            $row(3, 3),
            $row(4, ['=', 'SUM([row1.cola]:[row3.cola])', 6]),
        ]);
        $sheet = $this->app
            ->make(MakeItem::class)
            ->handle(
                $this->shelf,
                $this->ines,
                'spreadsheet',
                'Following',
                content: new Content(Kinds::named('spreadsheet'), $tree),
                keepIds: true,
            );
        $this->save(
            $sheet,
            $this->tobi,
            PartTree::of([$tree->parts[0], $tree->parts[1], $row(1, 1), $row(2, 2), $row(4, ['=', 'SUM([row1.cola]:[row2.cola])', 3])]),
        );
        self::assertSame([1, 1], [$this->found('=sum')->gone, $this->found('sum(a1:a2)')->count]);
        self::assertSame([1, 1, 0], [$this->found('A1:A3')->gone, $this->found('a1:')->gone, $this->found('row2.cola')->count]);
        $this->actingAs($this->ines)
            ->get(route('find', ['q' => '=sum(']))
            ->assertSee('<mark>=SUM(</mark>A1:A3)', false)
            ->assertSee('<mark>=SUM(</mark>A1:A2)', false);
        $this->get(route('history', [$sheet, 'from' => 1, 'to' => 2, 'q' => '=sum']))->assertSee('a formula went');
        self::assertSame(0, Artisan::call('attic:verify'), Artisan::output());
        $before = $this->lives();
        Artisan::call('attic:lives', ['--anew' => true]);
        self::assertSame($before, $this->lives());
    }

    public function test_very_much_at_once_keeps_nobody_waiting_and_is_read_in_by_night(): void
    {
        $parts = [
            new Part('tab1', 'tab', 0, ['name' => 'Log', 'frozen' => 0]),
            new Part('cola', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('colb', 'column', 1, ['width' => 0, 'format' => '']),
        ];
        for ($row = 0; $row < 4_200; $row++) {
            $parts[] = new Part(sprintf('r%05d', $row), 'row', 1, ['cola' => "Lantern {$row}", 'colb' => $row]);
        }
        $sheet = $this->app
            ->make(MakeItem::class)
            ->handle(
                $this->shelf,
                $this->ines,
                'spreadsheet',
                'Large',
                content: new Content(Kinds::named('spreadsheet'), PartTree::of($parts)),
                keepIds: true,
            );
        self::assertSame([false, 0], [$sheet->refresh()->is_read, DB::table('lives')->where('item_id', $sheet->id)->count()]);
        self::assertSame([0, 1], [$this->found('lantern 4100')->count, $this->found('lantern 4100')->unread]);
        // Its milestones are found all the same, and a search elsewhere does not speak of it.
        $this->actingAs($this->ines)->put(route('milestone.mark', [$sheet, 1]), ['name' => 'Lanterns counted']);
        self::assertSame(['Lanterns counted'], array_column($this->found('lanterns')->milestones, 'name'));
        $other = $this->document($this->shelf, $this->tobi, 'Elsewhere');
        self::assertSame(0, (new Finds(new Asked('lantern'), new Within($this->ines, $other), $this->app->make(States::class)))->unread);
        Artisan::call('attic:lives');
        self::assertSame([1, 0], [$this->found('lantern 4100')->count, $this->found('lantern 4100')->unread]);
    }

    public function test_what_is_found_is_checked_against_what_stands_there(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'First words');
        $this->save($item, $this->tobi, $this->paragraphs('Second words'));
        self::assertSame(0, Artisan::call('attic:verify'), Artisan::output());
        $spoil = function (string $text, Closure $with) use ($item): void {
            $blocks = new LifeBlocks($item);
            $blocks->change(1, PHP_INT_MAX, fn (Life $life): ?Life => $life->text === $text ? $with($life) : $life);
            $blocks->save();
        };
        foreach (
            [
                'does not stand there' => fn () => $spoil(
                    'Second words',
                    fn (Life $life): Life => new Life($life->item, $life->part, $life->field, $life->from, $life->gone, 'Others'),
                ),
                'is not found' => fn () => $spoil('Second words', fn (Life $life): ?Life => null),
                'begin or end with a version that is not there' => fn () => $spoil('First words', fn (Life $life): Life => $life->until(9)),
                'the index of what is found differs' => fn () => DB::statement('INSERT INTO found (rowid, text) VALUES (9999, \'nobody\')'),
            ] as $said => $do
        ) {
            DB::beginTransaction();
            $do();
            self::assertSame(1, Artisan::call('attic:verify'));
            self::assertStringContainsString($said, Artisan::output());
            DB::rollBack();
        }
        $spoil('Second words', fn (Life $life): ?Life => null);
        self::assertSame(1, Artisan::call('attic:lives', ['--item' => 'none']));
        self::assertSame(0, Artisan::call('attic:lives', ['--item' => $item->key]));
        self::assertSame([0, 1], [Artisan::call('attic:verify'), $this->found('second')->count]);
        // The index is put together by night, and says what it said.
        $entries = DB::scalar('SELECT count(*) FROM found_idx');
        self::assertSame([0, 0, 1], [Artisan::call('attic:tidy'), Artisan::call('attic:verify'), $this->found('second')->count]);
        self::assertLessThan($entries, DB::scalar('SELECT count(*) FROM found_idx'));
    }

    private function found(string $words, ?User $who = null, mixed ...$more): Finds
    {
        return new Finds(new Asked($words), new Within($who ?? $this->ines, null, 'any', '', ...$more), $this->app->make(States::class));
    }

    private function numberIn(string $address, string $name): int
    {
        parse_str((string) parse_url($address, PHP_URL_QUERY), $sent);

        return is_string($sent[$name] ?? null) ? (int) $sent[$name] : 0;
    }

    /** @return list<string> */
    private function lives(): array
    {
        $lives = [];
        foreach (LifeBlocks::everywhere() as $block) {
            array_push(
                $lives,
                ...array_map(
                    fn (
                        Life $life,
                    ) => "{$life->item} {$life->part} {$life->field} {$life->from} {$life->gone} {$life->text} {$life->spelled}",
                    $block->lives(),
                ),
            );
        }
        sort($lives);

        return $lives;
    }
}
