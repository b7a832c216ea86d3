<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use Carbon\CarbonImmutable;
use PHPUnit\Framework\Attributes\DataProvider;

/** The right moment: the list of versions by what they are, by whom, when and in which words, and going to a day. */
final class ListTest extends FeatureCase
{
    private User $ines;

    private User $tobi;

    private User $jun;

    private Shelf $shelf;

    private Item $item;

    /** Version 2 on 1 October, 3 on 3 October by Tobi, 4 a restore of 2 on 5 October, 5 and 6 within one sitting on 7 October. */
    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo(CarbonImmutable::parse('2026-10-01 10:00', 'UTC'));
        [$this->ines, $this->tobi, $this->jun] = [$this->person('Ines Oduya'), $this->person('Tobi Brandt'), $this->person('Jun Castell')];
        $this->shelf = $this->shelf('Volunteers', [[$this->ines, Role::Owner], [$this->tobi, Role::Editor], [$this->jun, Role::Viewer]]);
        $this->item = $this->document($this->shelf, $this->ines, 'Kettle', 'Toaster');
        $this->actingAs($this->ines);
        $this->travelTo(CarbonImmutable::parse('2026-10-03 12:00', 'UTC'));
        $this->save($this->item, $this->tobi, $this->paragraphs('Kettle', 'Toaster', 'Égouttoir'));
        $this->travelTo(CarbonImmutable::parse('2026-10-05 12:00', 'UTC'));
        $this->post(route('restore.store', [$this->item, 2]), ['seen' => 3]);
        $this->travelTo(CarbonImmutable::parse('2026-10-07 12:00', 'UTC'));
        $this->save($this->item->refresh(), $this->ines, $this->paragraphs('Kettle', 'Toaster', 'Lamp'));
        $this->travel(3)->minutes();
        $this->save($this->item->refresh(), $this->tobi, $this->paragraphs('Kettle', 'Toaster', 'Lamp', 'Radio'));
        self::assertSame(6, $this->item->refresh()->head);
    }

    /** @return iterable<string, array{array<string, string>, list<int>}> */
    public static function filters(): iterable
    {
        yield 'restores' => [['only' => 'restores'], [4]];
        yield 'milestones' => [['only' => 'milestones'], [3]];
        yield 'pins' => [['only' => 'pins'], [2]];
        yield 'notes' => [['only' => 'notes'], [5]];
        yield 'a day' => [['from' => '2026-10-03', 'until' => '2026-10-03'], [3]];
        yield 'from a day' => [['from' => '2026-10-05'], [6, 5, 4]];
        yield 'until a day' => [['until' => '2026-10-03'], [3, 2, 1]];
        yield 'words' => [['words' => 'radio'], [6]];
        yield 'words in another script' => [['words' => 'ÉGOUTTOIR'], [3]];
        yield 'a note' => [['words' => 'for the open day'], [5]];
        yield 'the name of a milestone' => [['words' => 'agreed'], [3]];
        yield 'words that stand nowhere' => [['words' => '%'], []];
        yield 'several at once' => [['words' => 'added', 'from' => '2026-10-07', 'only' => 'notes'], [5]];
    }

    /**
     * @param  array<string, string>  $asked
     * @param  list<int>  $numbers
     */
    #[DataProvider('filters')]
    public function test_the_list_shows_what_is_asked_for(array $asked, array $numbers): void
    {
        $this->put(route('milestone.mark', [$this->item, 3]), ['name' => 'Agreed by all']);
        $this->put(route('version.pin', [$this->item, 2]), ['pin' => 1]);
        Version::query()->where(['item_id' => $this->item->id, 'number' => 5])->update(['note' => 'For the open day']);
        self::assertSame($numbers, $this->numbers($this->get(route('list', [$this->item, ...$asked]))->assertOk()->getContent()));
    }

    public function test_by_an_editor_and_folded_by_sitting(): void
    {
        self::assertSame([6, 3], $this->numbers($this->get(route('list', [$this->item, 'by' => $this->tobi->id]))->getContent()));
        $this->get(route('list', [$this->item, 'fold' => 1]))
            ->assertOk()
            ->assertSeeText('5 to 6')
            ->assertSeeText('and one more version')
            ->assertSee(route('history', ['item' => $this->item, 'from' => 4, 'to' => 6]));
        $this->get(route('list', [$this->item, 'only' => 'pins']))->assertSeeText('No version is like that.');
    }

    public function test_readers_do_not_learn_of_drafts_by_a_filter(): void
    {
        $page = $this->page($this->shelf, $this->ines, 'Open');
        $this->travel(5)->minutes();
        $this->publish($page, $this->ines);
        Version::query()->where(['item_id' => $page->id, 'number' => 2])->update(['note' => 'Secret']);
        $this->actingAs($this->jun);
        foreach (['notes', 'unusual', 'restores', 'pins'] as $only) {
            self::assertSame(
                [2],
                $this->numbers($this->get(route('list', [$page, 'only' => $only]))->assertOk()->assertDontSeeText('Secret')->getContent()),
            );
        }
        self::assertSame([], $this->numbers($this->get(route('list', [$page, 'words' => 'Secret']))->getContent()));
        self::assertSame([2], $this->numbers($this->get(route('list', [$page, 'by' => $this->tobi->id]))->getContent()));
    }

    /** @return iterable<string, array{array<string, string|int>, string}> */
    public static function moments(): iterable
    {
        yield 'a day' => [['when' => '3 Oct'], 'from=3&to=6'];
        yield 'a day with points' => [['when' => '3.10.'], 'from=3&to=6'];
        yield 'a day with points, and an hour' => [['when' => '3.10.2026, 13:30', 'zone' => 'Europe/Berlin'], 'from=2&to=6'];
        yield 'before it, in that zone' => [['when' => '3 Oct 13:30', 'zone' => 'Europe/Berlin'], 'from=2&to=6'];
        yield 'after it, in that zone' => [['when' => '3 Oct 14:30', 'zone' => 'Europe/Berlin'], 'from=3&to=6'];
        yield 'before all' => [['when' => '1 Sep 2020'], 'from=1&to=6'];
        yield 'with another end' => [['when' => '5 Oct', 'to' => 3], 'from=3&to=4'];
        yield 'as it was' => [['when' => '3 Oct', 'view' => 'was'], 'from=3&to=6&view=was'];
        yield 'since mine' => [['when' => 'mine'], 'from=5&to=6'];
        yield 'a milestone' => [['when' => 'the agreement'], 'from=4&to=6'];
        yield 'before a milestone' => [['when' => 'before the agreement'], 'from=3&to=6'];
    }

    /** @param array<string, string|int> $asked */
    #[DataProvider('moments')]
    public function test_the_earlier_end_goes_to_a_day(array $asked, string $ends): void
    {
        $this->put(route('milestone.mark', [$this->item, 4]), ['name' => 'Agreement']);
        $this->get(route('history.at', [$this->item, ...$asked]))->assertRedirect(route('history', $this->item).'?'.$ends);
    }

    public function test_an_hour_is_meant_by_the_clock_of_the_account_where_no_other_is_sent(): void
    {
        foreach (['Europe/Berlin' => 2, '' => 3] as $zone => $from) {
            $this->actingAs(tap($this->ines)->update(['zone' => $zone]))
                ->get(route('history.at', [$this->item, 'when' => '3 Oct 13:30']))
                ->assertRedirect(route('history', $this->item)."?from={$from}&to=6");
        }
    }

    public function test_what_is_no_time_is_said_and_readers_come_to_what_was_published(): void
    {
        $this->from(route('history', [$this->item, 'from' => 2]))
            ->get(route('history.at', [$this->item, 'when' => 'the cake']))
            ->assertRedirect(route('history', [$this->item, 'from' => 2]))
            ->assertSessionHasErrors('when');
        $page = $this->page($this->shelf, $this->ines, 'Open');
        $this->publish($page, $this->ines);
        $this->travel(1)->days();
        $this->save($page->refresh(), $this->ines, $this->column('Closed'));
        $this->actingAs($this->jun)
            ->get(route('history.at', [$page, 'when' => 'today']))
            ->assertRedirect(route('history', [$page, 'from' => 2, 'to' => 2]));
    }

    public function test_all_milestones_that_one_may_see_with_two_compared_and_one_moved(): void
    {
        $other = $this->shelf('Committee', [[$this->tobi, Role::Owner]]);
        $hidden = $this->document($other, $this->tobi, 'Hidden');
        $page = $this->page($this->shelf, $this->ines, 'Open');
        $this->actingAs($this->tobi)->put(route('milestone.mark', [$hidden, 2]), ['name' => 'Not yours']);
        $this->actingAs($this->ines)->put(route('milestone.mark', [$page, 1]), ['name' => 'A draft']);
        $this->put(route('milestone.mark', [$this->item, 3]), ['name' => 'Agreed', 'note' => 'at the spring meeting']);
        $this->put(route('milestone.mark', [$this->item, 5]), ['name' => 'Printed']);
        $this->get(route('milestones'))
            ->assertOk()
            ->assertSeeText('Agreed')
            ->assertSeeText('Printed')
            ->assertSeeText('A draft')
            ->assertDontSeeText('Not yours');
        $this->get(route('milestones', ['q' => 'spring']))->assertSeeText('Agreed')->assertDontSeeText('Printed');
        $this->get(route('milestones', ['kind' => 'page']))->assertSeeText('A draft')->assertDontSeeText('Agreed');
        $one = $this->item->versions()->where('number', 3)->firstOrFail()->milestone;
        $this->get(route('milestones', ['one' => $one?->id]))
            ->assertSee(route('history', ['item' => $this->item, 'from' => 3, 'to' => 5], false))
            ->assertDontSeeText('A draft');
        $this->actingAs($this->jun)->get(route('milestones'))->assertSeeText('Agreed')->assertDontSeeText('A draft');
        $this->get(route('milestones', ['shelf' => $other->key]))->assertNotFound();

        $this->actingAs($this->ines)->put(route('milestone.move', [$this->item, 3, 'before']))->assertSessionHas('said');
        self::assertSame('Agreed', $this->item->versions()->where('number', 2)->firstOrFail()->milestone?->name);
        $this->put(route('milestone.mark', [$this->item, 4]), ['name' => 'Between']);
        $this->put(route('milestone.move', [$this->item, 5, 'before']))->assertSessionHasErrors('name');
        $this->put(route('milestone.move', [$this->item, 3, 'after']))->assertNotFound();
    }

    /** @return list<int> */
    private function numbers(string|false $html): array
    {
        preg_match_all('/<td class="versions-number">(\d+)/', (string) $html, $found);

        return array_map(intval(...), $found[1]);
    }
}
