<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\MoveItem;
use App\Keeping\TakeAway;
use App\Models\Item;
use App\Models\LogLine;
use App\Models\Milestone;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\ShelfMilestone;
use App\Models\ShelfReturn;
use App\Models\User;
use App\Past\ShelfThen;
use App\Store\AtMoment;
use App\View\Shelf\OnADay;
use App\Words\When;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\PartTree;
use PHPUnit\Framework\Attributes\DataProvider;

/** The shelf on a day: what stood on it, what became of it, and several items brought back together. */
final class ShelfDayTest extends FeatureCase
{
    private User $ines;

    private User $tobi;

    private User $jun;

    private Shelf $shelf;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo(CarbonImmutable::parse('2026-10-01 10:00', 'UTC'));
        [$this->ines, $this->tobi, $this->jun] = [$this->person('Ines Oduya'), $this->person('Tobi Brandt'), $this->person('Jun Castell')];
        $this->shelf = $this->shelf('Volunteers', [[$this->ines, Role::Owner], [$this->tobi, Role::Editor], [$this->jun, Role::Viewer]]);
        $this->actingAs($this->ines);
    }

    public function test_a_shelf_is_shown_as_it_was_with_what_became_of_each_item(): void
    {
        [$handbook, $guide, $rota] = [
            $this->document($this->shelf, $this->ines, 'Kettle'),
            $this->document($this->shelf, $this->tobi, 'Toaster'),
            $this->document($this->shelf, $this->tobi, 'Rota'),
        ];
        $then = $this->later();
        $this->save($handbook, $this->tobi, $this->paragraphs('Kettle', 'Lamp'));
        $this->actingAs($this->tobi)->put(route('item.rename', $handbook), ['title' => 'Handbook of all']);
        app(TakeAway::class)->handle($guide, $this->tobi);
        $new = $this->document($this->shelf, $this->ines, 'New');
        $day = $this->actingAs($this->ines)->get(route('day', [$this->shelf, 'at' => $then]))->assertOk();
        $day->assertSeeText('as it stood then: 3 items')
            ->assertSeeText('renamed to Handbook of all')
            ->assertSeeText('Deleted by Tobi on 2 October, in Lost & found')
            ->assertSeeText('Came since');
        $day->assertSee(route('history', ['item' => $handbook, 'from' => 2, 'to' => 2, 'view' => 'was'], false))
            ->assertSee(route('history', ['item' => $handbook, 'from' => 2, 'to' => $handbook->refresh()->head], false))
            ->assertSeeText('One item is the same as then');
        $shown = new OnADay($this->shelf->load('memberships.user'), $this->ines, CarbonImmutable::parse($then));
        self::assertSame(
            [[$new->id], [$rota->id]],
            [array_map(fn ($row) => $row->item->id, $shown->since), array_map(fn ($row) => $row->item->id, $shown->same)],
        );
        // Who may not see what was deleted does not see that it was there.
        $this->actingAs($this->jun)
            ->get(route('day', [$this->shelf, 'at' => $then]))
            ->assertOk()
            ->assertSeeText('as it stood then: 2 items')
            ->assertDontSeeText('in Lost & found')
            ->assertDontSee('type="checkbox"', false);
    }

    public function test_what_was_put_on_another_shelf_stood_here_for_those_who_see_it_there(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'Rota');
        $then = $this->later();
        $other = $this->shelf('Committee', [[$this->tobi, Role::Owner]]);
        app(MoveItem::class)->handle($item, $this->tobi, $other);
        $this->actingAs($this->tobi)
            ->get(route('day', [$this->shelf, 'at' => $then]))
            ->assertSeeText('as it stood then: one item')
            ->assertSeeText('Put on another shelf by Tobi');
        $this->actingAs($this->ines)->get(route('day', [$this->shelf, 'at' => $then]))->assertSeeText('Nothing stood on this shelf then');
        $this->actingAs($this->tobi)
            ->get(route('day', [$other, 'at' => $then]))
            ->assertSeeText('Came since')
            ->assertSeeText('Put on this shelf by Tobi');
        // Brought back to where it is, it did not come back here.
        $this->actingAs($this->tobi)
            ->get(route('day.back', [$this->shelf, 'at' => $then, 'items' => [$item->key]]))
            ->assertRedirect(route('day', [$this->shelf, 'at' => $then]));
    }

    public function test_the_numbers_of_all_items_are_those_that_each_history_says_also_over_gaps(): void
    {
        $items = [
            $this->document($this->shelf, $this->ines, 'A'),
            $this->document($this->shelf, $this->tobi, 'B'),
            $this->document($this->shelf, $this->tobi, 'C'),
        ];
        for ($round = 0; $round < 25; $round++) {
            $this->travel(random_int(61, 4_000))->seconds();
            $this->save($items[random_int(0, 2)], [$this->ines, $this->tobi][random_int(0, 1)], $this->paragraphs("Words of {$round}"));
        }
        $head = $items[0]->refresh()->head;
        DB::table('touches')->where('item_id', $items[0]->id)->where('number', '>', 2)->where('number', '<', $head)->delete();
        DB::table('versions')->where('item_id', $items[0]->id)->where('number', '>', 2)->where('number', '<', $head)->delete();
        $ids = array_column($items, 'id');
        for (
            $moment = CarbonImmutable::parse('2026-10-01 09:00', 'UTC');
            $moment < now();
            $moment = $moment->addSeconds(random_int(60, 3_000))
        ) {
            $forced = DB::table('versions')
                ->whereIn('item_id', $ids)
                ->where('saved_at', '<=', $moment->format('Y-m-d H:i:s'))
                ->groupBy('item_id')
                ->selectRaw('item_id, MAX(number) AS number')
                ->pluck('number', 'item_id')
                ->all();
            $found = AtMoment::numbers($ids, $moment);
            ksort($found);
            self::assertSame($forced, $found, (string) $moment);
        }
    }

    public function test_the_number_of_queries_does_not_depend_on_how_many_items_there_are(): void
    {
        $count = function (): int {
            $shelf = $this->shelf->load('memberships.user');
            DB::enableQueryLog();
            DB::flushQueryLog();
            new OnADay($shelf, $this->ines, CarbonImmutable::parse('2026-10-01 12:00', 'UTC'));

            return count(DB::getQueryLog());
        };
        $make = function (int $items): void {
            $this->travelTo(CarbonImmutable::parse('2026-10-01 10:00', 'UTC'));
            $made = array_map(fn () => $this->document($this->shelf, $this->tobi, 'Kettle'), range(1, $items));
            $this->travelTo(CarbonImmutable::parse('2026-10-02 10:00', 'UTC'));
            array_map(fn (Item $item) => $this->save($item, $this->ines, $this->paragraphs('Toaster')), $made);
        };
        $make(3);
        $few = $count();
        $make(12);
        self::assertSame($few, $count());
    }

    public function test_several_items_come_back_to_one_moment_together_and_are_taken_back_together(): void
    {
        [$handbook, $guide] = [$this->document($this->shelf, $this->ines, 'Kettle'), $this->document($this->shelf, $this->tobi, 'Toaster')];
        $then = $this->later();
        $this->save($handbook, $this->tobi, $this->paragraphs('Lamp'));
        app(TakeAway::class)->handle($guide, $this->tobi);
        $new = $this->document($this->shelf, $this->ines, 'New');
        $keys = [$handbook->key, $guide->key, $new->key];
        $this->get(route('day.back', [$this->shelf, 'at' => $then, 'items' => $keys]))
            ->assertOk()
            ->assertSeeText('back to 2, from 3')
            ->assertSeeText('comes back from Lost & found, as it was in 2')
            ->assertSeeText('made since: goes to Lost & found');
        $sent = [
            'at' => $then,
            'of' => [
                $handbook->key => ['on' => '1', 'seen' => 3, 'lost' => '0', 'pick' => $this->picks($handbook, $then)],
                $guide->key => ['on' => '1', 'seen' => 2, 'lost' => '1'],
                $new->key => ['on' => '1', 'seen' => 2, 'lost' => '0'],
            ],
        ];
        $this->post(route('day.back.store', $this->shelf), $sent)
            ->assertRedirect(route('day', [$this->shelf, 'at' => $then]))
            ->assertSessionHas('said', '3 items were brought back together.');
        self::assertSame(['Kettle'], $this->texts($handbook->refresh()));
        self::assertNull($guide->refresh()->deleted_at);
        self::assertNotNull($new->refresh()->deleted_at);
        $numbers = (new ShelfThen($this->shelf->load('memberships'), $this->ines))->numbers(null);
        self::assertEqualsCanonicalizing([$handbook->id, $guide->id], array_keys($numbers));
        $return = ShelfReturn::query()->firstOrFail();
        $this->get(route('day', [$this->shelf, 'at' => $then]))->assertSeeText('Take all of it back');
        $this->delete(route('day.back.undo', [$this->shelf, $return]))->assertRedirect()->assertSessionHas('said');
        self::assertSame(['Lamp'], $this->texts($handbook->refresh()));
        self::assertNotNull($guide->refresh()->deleted_at);
        self::assertNull($new->refresh()->deleted_at);
        self::assertSame(
            ['returned', 'return_undone'],
            LogLine::query()
                ->whereIn('deed', ['returned', 'return_undone'])
                ->orderBy('id')
                ->pluck('deed')
                ->all(),
        );
        // Once is enough.
        $this->delete(route('day.back.undo', [$this->shelf, $return]))->assertSessionHasErrors('items');
    }

    public function test_what_was_deleted_comes_back_though_its_name_was_taken_meanwhile(): void
    {
        $guide = $this->document($this->shelf, $this->tobi, 'Kettle');
        $then = $this->later();
        $this->save($guide, $this->tobi, $this->paragraphs('Toaster'));
        app(TakeAway::class)->handle($guide->refresh(), $this->tobi);
        $this->document($this->shelf, $this->ines, 'Another of that name');
        $this->bringBack($then, $guide);
        self::assertSame([['Kettle'], null], [$this->texts($guide->refresh()), $guide->deleted_at]);
        $this->delete(route('day.back.undo', [$this->shelf, ShelfReturn::query()->firstOrFail()]))->assertSessionHasNoErrors();
        self::assertSame(['Toaster'], $this->texts($guide->refresh()));
        self::assertNotNull($guide->deleted_at);
    }

    public function test_all_of_it_lands_or_none(): void
    {
        [$handbook, $guide] = [$this->document($this->shelf, $this->ines, 'Kettle'), $this->document($this->shelf, $this->tobi, 'Toaster')];
        $then = $this->later();
        $this->save($handbook, $this->tobi, $this->paragraphs('Lamp'));
        $this->save($guide, $this->tobi, $this->paragraphs('Radio'));
        $sent = [
            'at' => $then,
            'of' => [
                $handbook->key => ['on' => '1', 'seen' => 3, 'lost' => '0', 'pick' => $this->picks($handbook, $then)],
                $guide->key => ['on' => '1', 'seen' => 2, 'lost' => '0', 'pick' => $this->picks($guide, $then)],
            ],
        ];
        $this->post(route('day.back.store', $this->shelf), $sent)->assertSessionHasErrors('items');
        self::assertSame(['Lamp'], $this->texts($handbook->refresh()));
        // Who deletes it while the plan is looked at is not passed over either.
        $sent['of'][$guide->key]['seen'] = 3;
        app(TakeAway::class)->handle($guide->refresh(), $this->tobi);
        $this->post(route('day.back.store', $this->shelf), $sent)->assertSessionHasErrors('items');
        self::assertSame(3, $handbook->refresh()->head);
    }

    public function test_taken_back_from_the_history_of_one_all_of_it_goes(): void
    {
        [$handbook, $guide] = [$this->document($this->shelf, $this->ines, 'Kettle'), $this->document($this->shelf, $this->tobi, 'Toaster')];
        $then = $this->later();
        $this->save($handbook, $this->tobi, $this->paragraphs('Lamp'));
        app(TakeAway::class)->handle($guide, $this->tobi);
        $this->bringBack($then, $handbook, $guide);
        $this->post(route('restore.undo', [$handbook, 4]))->assertRedirect()->assertSessionHas('said', 'All of it was taken back.');
        self::assertSame(['Lamp'], $this->texts($handbook->refresh()));
        self::assertNotNull($guide->refresh()->deleted_at);
    }

    public function test_taking_it_back_touches_nothing_when_one_of_them_was_changed_since(): void
    {
        [$handbook, $guide] = [$this->document($this->shelf, $this->ines, 'Kettle'), $this->document($this->shelf, $this->tobi, 'Toaster')];
        $then = $this->later();
        $this->save($handbook, $this->tobi, $this->paragraphs('Lamp'));
        $this->save($guide, $this->tobi, $this->paragraphs('Radio'));
        $this->bringBack($then, $handbook, $guide);
        $this->travel(5)->minutes();
        $this->save($guide->refresh(), $this->tobi, $this->paragraphs('Toaster', 'Clock'));
        $this->delete(route('day.back.undo', [$this->shelf, ShelfReturn::query()->firstOrFail()]))->assertSessionHasErrors('items');
        self::assertSame([['Kettle'], ['Toaster', 'Clock']], [$this->texts($handbook->refresh()), $this->texts($guide->refresh())]);
    }

    public function test_only_the_lines_that_are_ticked_come_back(): void
    {
        $item = $this->document($this->shelf, $this->ines, 'Kettle', 'Toaster', 'Lamp');
        $then = $this->later();
        $tree = $this->tree($item);
        $this->save($item, $this->tobi, PartTree::of([$tree->parts[0]]));
        $picks = $this->picks($item, $then);
        self::assertCount(2, $picks);
        $this->post(route('day.back.store', $this->shelf), [
            'at' => $then,
            'of' => [$item->key => ['on' => '1', 'seen' => 3, 'lost' => '0', 'pick' => [$picks[0]]]],
        ])->assertSessionHasNoErrors();
        self::assertSame(['Kettle', 'Toaster'], $this->texts($item->refresh()));
    }

    public function test_each_item_goes_by_its_own_rights(): void
    {
        $item = $this->document($this->shelf, $this->ines, 'Kettle');
        $then = $this->later();
        $this->save($item, $this->ines, $this->paragraphs('Lamp'));
        $this->shelf->update(['editors_restore' => false]);
        $sent = ['at' => $then, 'of' => [$item->key => ['on' => '1', 'seen' => 3, 'lost' => '0', 'pick' => $this->picks($item, $then)]]];
        $this->actingAs($this->jun)->post(route('day.back.store', $this->shelf), $sent)->assertForbidden();
        $this->actingAs($this->tobi)
            ->get(route('day.back', [$this->shelf, 'at' => $then, 'items' => [$item->key]]))
            ->assertOk()
            ->assertSee('disabled', false);
        $this->post(route('day.back.store', $this->shelf), $sent)->assertForbidden();
        $this->actingAs($this->ines)->post(route('day.back.store', $this->shelf), $sent)->assertSessionHasNoErrors();
        self::assertSame(['Kettle'], $this->texts($item->refresh()));
    }

    public function test_readers_see_what_was_live_then_and_nothing_of_drafts(): void
    {
        $page = $this->page($this->shelf, $this->tobi, 'Open on Saturdays');
        $draft = $this->page($this->shelf, $this->tobi, 'Secret plan');
        $this->publish($page, $this->ines);
        $then = $this->later();
        $this->save($page, $this->tobi, $this->column('Open on Sundays'));
        $this->publish($page->refresh(), $this->ines);
        $this->travel(5)->minutes();
        $this->save($page->refresh(), $this->tobi, $this->column('Closed for ever'));
        $day = $this->actingAs($this->jun)
            ->get(route('day', [$this->shelf, 'at' => $then]))
            ->assertOk()
            ->assertSeeText('as it stood then: one item')
            ->assertSeeText('published again')
            ->assertDontSeeText('Closed for ever');
        $day->assertDontSee($draft->key)->assertSee(route('history', ['item' => $page, 'from' => 2, 'to' => 3], false));
        self::assertSame(
            [],
            $this->getJson(route('day.ribbon', $this->shelf))->assertOk()->json('marks'),
            'who wrote drafts when is not for readers',
        );
        self::assertNotSame([], $this->actingAs($this->ines)->getJson(route('day.ribbon', $this->shelf))->json('marks'));
    }

    public function test_a_moment_gets_a_name_on_the_shelf_and_on_each_item(): void
    {
        [$one, $two] = [$this->document($this->shelf, $this->ines, 'Kettle'), $this->document($this->shelf, $this->tobi, 'Toaster')];
        Milestone::query()->create([
            'version_id' => $one->versions()->where('number', 2)->firstOrFail()->id,
            'user_id' => $this->tobi->id,
            'name' => 'Agreed',
        ]);
        $then = $this->later();
        $this->save($two, $this->tobi, $this->paragraphs('Radio'));
        $this->post(route('day.mark', $this->shelf), ['at' => $then, 'name' => 'Before the open day'])->assertSessionHas('said');
        self::assertSame(['Before the open day'], ShelfMilestone::query()->pluck('name')->all());
        self::assertSame(['Agreed', 'Before the open day'], Milestone::query()->orderBy('id')->pluck('name')->all());
        self::assertSame(2, Milestone::query()->where('name', 'Before the open day')->firstOrFail()->version->number);
        $this->get(route('day', [$this->shelf, 'when' => 'before the open day']))->assertRedirect(
            route('day', [$this->shelf, 'at' => $then]),
        );
        $this->actingAs($this->jun)
            ->post(route('day.mark', $this->shelf), ['at' => $then, 'name' => 'Mine'])
            ->assertForbidden();
    }

    public function test_a_shelf_is_copied_out_as_it_was(): void
    {
        [$one, $two] = [$this->document($this->shelf, $this->ines, 'Kettle'), $this->document($this->shelf, $this->tobi, 'Toaster')];
        $then = $this->later();
        $this->save($one, $this->tobi, $this->paragraphs('Lamp'));
        app(TakeAway::class)->handle($two, $this->tobi);
        $this->actingAs($this->jun)
            ->post(route('day.copy', $this->shelf), ['at' => $then, 'name' => 'Volunteers of old'])
            ->assertRedirect();
        $copy = Shelf::query()->where('name', 'Volunteers of old')->firstOrFail();
        self::assertSame(
            [['Kettle']],
            $copy->items()->get()->map(fn (Item $item) => $this->texts($item))->all(),
            'a viewer sees nothing of what was deleted',
        );
        $this->actingAs($this->ines)
            ->post(route('day.copy', $this->shelf), ['at' => $then, 'name' => 'All of it'])
            ->assertRedirect();
        self::assertSame(2, Shelf::query()->where('name', 'All of it')->firstOrFail()->items()->count());
        self::assertSame(
            [$this->ines->id],
            Shelf::query()->where('name', 'All of it')->firstOrFail()->memberships()->pluck('user_id')->all(),
        );
        $this->assertVerified();
    }

    /** @return iterable<string, array{string, string|null}> */
    public static function times(): iterable
    {
        yield 'a weekday' => ['last Tuesday', '2026-11-24 22:59:59'];
        yield 'a weekday alone' => ['Tuesday', '2026-11-24 22:59:59'];
        yield 'a day' => ['3 Nov', '2026-11-03 22:59:59'];
        yield 'a day of last year' => ['24 Dec', '2025-12-24 22:59:59'];
        yield 'a day and an hour' => ['on 12 October at 18:00', '2026-10-12 16:00:00'];
        yield 'an hour of yesterday' => ['5pm yesterday', '2026-11-29 16:00:00'];
        yield 'an hour' => ['18:00', '2026-11-29 17:00:00'];
        yield 'ISO 8601' => ['2026-10-12T18:00:00Z', '2026-10-12 18:00:00'];
        yield 'hours ago' => ['2 hours ago', '2026-11-29 21:40:00'];
        yield 'days ago' => ['3 days ago', '2026-11-27 22:59:59'];
        yield 'today' => ['today', '2026-11-29 23:40:00'];
        foreach (
            [
                '',
                'a',
                '7',
                'next week',
                '12/10/2026',
                '31 feb',
                'before the meeting',
                '25:00',
                '99 Nov',
                'Sunday <b>',
                str_repeat('1', 300),
                "\0",
            ] as $no
        ) {
            yield 'no time: '.mb_substr($no, 0, 20) => [$no, null];
        }
    }

    #[DataProvider('times')]
    public function test_a_moment_is_read_as_people_write_it(string $text, ?string $moment): void
    {
        $now = CarbonImmutable::parse('2026-11-29 23:40:00', 'UTC');
        $this->travelTo($now);
        self::assertSame($moment, When::read($text, new DateTimeZone('Europe/Berlin'), $now)?->format('Y-m-d H:i:s'));
    }

    /** @return iterable<string, array{string, array{string, string}|null}> */
    public static function stretches(): iterable
    {
        yield 'this month' => ['this month', ['2026-10-31 22:59:59', '2026-11-29 23:40:00']];
        yield 'last month' => ['last month', ['2026-09-30 21:59:59', '2026-10-31 22:59:59']];
        yield 'a month' => ['in October', ['2026-09-30 21:59:59', '2026-10-31 22:59:59']];
        yield 'a month of last year' => ['December', ['2025-11-30 22:59:59', '2025-12-31 22:59:59']];
        yield 'a month of a year' => ['may 2025', ['2025-04-30 21:59:59', '2025-05-31 21:59:59']];
        yield 'last week' => ['Last  week', ['2026-11-22 22:59:59', '2026-11-29 22:59:59']];
        yield 'this year' => ['this year', ['2025-12-31 22:59:59', '2026-11-29 23:40:00']];
        yield 'days of one month' => ['3 to 12 Nov', ['2026-11-02 22:59:59', '2026-11-12 22:59:59']];
        yield 'two days' => ['from 3 Nov to yesterday', ['2026-11-02 22:59:59', '2026-11-29 22:59:59']];
        yield 'hours' => ['12 October 18:00 – 13 October 9:00', ['2026-10-12 15:59:59', '2026-10-13 07:00:00']];
        foreach (
            [
                '',
                'Tuesday',
                'today',
                'next month',
                'the spring meeting',
                '12 Nov to 3 Nov',
                'nowhere to now',
                'may be',
                'to',
                str_repeat('a to ', 200),
            ] as $no
        ) {
            yield 'no stretch: '.mb_substr($no, 0, 20) => [$no, null];
        }
    }

    /** @param array{string, string}|null $ends */
    #[DataProvider('stretches')]
    public function test_a_stretch_is_read_as_people_write_it(string $text, ?array $ends): void
    {
        $now = CarbonImmutable::parse('2026-11-29 23:40:00', 'UTC');
        $this->travelTo($now);
        $read = When::range($text, new DateTimeZone('Europe/Berlin'), $now);
        self::assertSame($ends, $read === null ? null : array_map(fn (CarbonImmutable $end) => $end->format('Y-m-d H:i:s'), $read));
    }

    public function test_a_time_that_is_none_is_said_and_what_was_written_stays(): void
    {
        $this->get(route('day', [$this->shelf, 'when' => 'the day of the cake']))->assertRedirect()->assertSessionHasErrors('when');
        $this->followingRedirects()
            ->get(route('day', [$this->shelf, 'when' => 'the day of the cake', 'zone' => 'Europe/Berlin']))
            ->assertSee('the day of the cake');
        // An address that nobody wrote by hand leads to the plain page.
        $this->get(route('day', [$this->shelf, 'when' => '3 Nov', 'zone' => 'Nowhere']))->assertRedirect(route('day', $this->shelf));
        $this->get(route('day', [$this->shelf, 'at' => 'yesterday']))->assertRedirect(route('day', $this->shelf));
    }

    /** The moment now, and then a day later. */
    private function later(): string
    {
        $at = now()->utc()->format('Y-m-d\TH:i:s\Z');
        $this->travel(1)->days();

        return $at;
    }

    /** @return list<int> the positions of all lines of the plan */
    private function picks(Item $item, string $then): array
    {
        $html = (string) $this->actingAs($this->ines)
            ->get(route('day.back', [$this->shelf, 'at' => $then, 'items' => [$item->key]]))
            ->getContent();
        preg_match_all('/name="of\['.$item->key.'\]\[pick\]\[\]" value="(\d+)"/', $html, $found);

        return array_map(intval(...), $found[1]);
    }

    private function bringBack(string $then, Item ...$items): void
    {
        $of = [];
        foreach ($items as $item) {
            $of[$item->key] = [
                'on' => '1',
                'seen' => $item->refresh()->head,
                'lost' => $item->deleted_at === null ? '0' : '1',
                'pick' => $this->picks($item, $then),
            ];
        }
        $this->post(route('day.back.store', $this->shelf), ['at' => $then, 'of' => $of])->assertSessionHasNoErrors();
    }
}
