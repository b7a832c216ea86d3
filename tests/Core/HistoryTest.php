<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Texts\TextAuthors;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\History\Answerable;
use MistyAttic\Core\History\Attribution;
use MistyAttic\Core\History\Gone;
use MistyAttic\Core\History\Keeping\Exemption;
use MistyAttic\Core\History\Keeping\KeepingRules;
use MistyAttic\Core\History\Keeping\Kept;
use MistyAttic\Core\History\Keeping\Pace;
use MistyAttic\Core\History\Keeping\Step as KeepingStep;
use MistyAttic\Core\History\Lifespan;
use MistyAttic\Core\History\Lifespans;
use MistyAttic\Core\History\Moment;
use MistyAttic\Core\History\PartHistory;
use MistyAttic\Core\History\Step;
use MistyAttic\Core\History\Touch;
use MistyAttic\Core\Kinds\Grid;
use MistyAttic\Core\Merge\TakeOut;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What a history tells of its parts, and what of it is kept. */
final class HistoryTest extends TestCase
{
    private const LETTER = [
        'p1 . Test every socket.',
        "p1 . Test every socket and lead.\np2 . Tape what fails.",
        "p1 . Test every red socket and lead.\np2 . Tape what fails.",
        "p2 . Tape what fails.\np1 . Test every red socket.",
        "p2 . Tape what fails.\np1 . Test every red socket.\np3 . Tell the owner.",
        "p1 . Test every red socket.\np3 . Tell the owner.",
    ];

    private const SHEET = [
        "t1 tab name=Log\n  c1 column\n  c2 column\n  r1 row c1=Kettle | c2=12",
        "t1 tab name=Log\n  c1 column\n  c2 column\n  r1 row c1=Kettle | c2=14\n  r2 row c1=Lamp | c2=8",
        "t1 tab name=Log\n  c1 column\n  c2 column\n  r2 row c1=Lamp | c2=8\n  r1 row c1=Kettle | c2=14",
        "t1 tab name=Log\n  c1 column\n  c2 column\n  r2 row c1=Lamp\n  r1 row c1=Kettle | c2=15",
    ];

    public function test_who_a_change_between_two_ends_goes_back_to(): void
    {
        $touch = fn (int $number, ChangeType ...$did): Touch => new Touch(
            'pone',
            $number,
            $number,
            array_sum(array_map(fn (ChangeType $type) => $type->bit(), $did)),
            0,
        );
        $touches = [
            $touch(3, ChangeType::Added),
            $touch(4, ChangeType::Removed),
            $touch(5, ChangeType::Edited),
            $touch(6, ChangeType::Added, ChangeType::Moved),
            $touch(7, ChangeType::Moved),
            $touch(8, ChangeType::Removed),
            $touch(9, ChangeType::Edited),
        ];
        $numbers = fn (ChangeType $type, Touch ...$of): array => array_map(
            fn (Touch $touch) => $touch->number,
            Answerable::for($type, array_values($of)),
        );
        // The last that removed, added or moved it; all that edited it; and where nobody did so, whoever touched it last.
        self::assertSame(
            [[8], [6], [7], [5, 9]],
            array_map(fn (ChangeType $type) => $numbers($type, ...$touches), [
                ChangeType::Removed,
                ChangeType::Added,
                ChangeType::Moved,
                ChangeType::Edited,
            ]),
        );
        self::assertSame([[4], []], [$numbers(ChangeType::Moved, $touches[0], $touches[1]), $numbers(ChangeType::Moved)]);
    }

    public function test_a_word_that_went_and_came_again_is_whose_it_was(): void
    {
        $texts = [
            'Sign the log.',
            'Sign the log. Lock the back door.',
            'Sign the log.',
            'Sign the log twice.',
            'Lock the back door. Sign the log twice.',
        ];
        $states = array_map(RichText::plain(...), $texts);
        $authors = TextAuthors::through([new RichText, ...$states], new Words);
        $words = (new Words)->cut($texts[4]);
        $by = fn (string $word): int => $authors->addedBy[(int) array_search($word, $words, true)];
        self::assertSame([1, 1, 0, 3], [$by('Lock'), $by('door'), $by('Sign'), $by('twice')], 'found by its words');
        // A restore says what it brings back, however little it is.
        $back = TextAuthors::through([new RichText, RichText::plain('a b'), RichText::plain('c'), RichText::plain('a b')], new Words, [
            2 => 0,
        ]);
        self::assertSame([0, 0, 0], array_values($back->addedBy));
    }

    public function test_words_that_were_split_off_joined_or_pasted_stay_their_authors(): void
    {
        $states = array_map(
            fn (array $texts) => PartTree::of(
                array_map(
                    fn (string $id, string $text) => new Part($id, 'paragraph', 0, ['text' => RichText::plain($text)]),
                    array_keys($texts),
                    $texts,
                ),
            ),
            [
                ['p1' => 'Sign the log. Lock the back door.', 'p2' => 'Sweep.'],
                ['p1' => 'Sign the log.', 'p3' => 'Lock the old door.', 'p2' => 'Sweep.'],
                ['p1' => 'Sign the log. Sweep.', 'p3' => 'Lock the old door.'],
            ],
        );
        $steps = [];
        $before = PartTree::of([]);
        foreach ($states as $at => $state) {
            $steps[] = new Step($at + 1, $at + 1, TreeCompare::of($before, $state));
            $before = $state;
        }
        $history = new Attribution($steps);
        $words = array_filter((new Words)->cut('Lock the old door.'), Words::counts(...));
        self::assertSame(
            ['Lock' => 1, 'the' => 1, 'old' => 2, 'door' => 1],
            array_combine($words, array_intersect_key($history->ofWords('p3') ?? [], $words)),
        );
        self::assertNotContains(2, $history->ofWords('p1') ?? []);
        $third = $history->contributions()[3];
        self::assertSame(
            [0, 0, 1],
            [$third->wordsAdded, $third->wordsRemoved, $third->partsRemoved],
            'who joins them writes and removes no word',
        );
    }

    public function test_who_wrote_which_word_and_who_took_it_away(): void
    {
        $history = new Attribution($this->steps(self::LETTER));
        // Test · every · red · socket, with spaces and the stop between: red is of version 3, the rest was there.
        self::assertSame([null, null, null, null, 3, 3, null, null], $history->ofWords('p1'));
        self::assertNull($history->ofWords('p9'));
        self::assertSame(5, $history->ofPart('p3'));
        self::assertNull($history->ofPart('p1'));
        $gone = array_map(fn (Gone $gone) => "{$gone->text} of {$gone->by} by {$gone->version}", $history->gone());
        self::assertSame(['and of 2 by 4', 'lead of 2 by 4', 'Tape of 2 by 6', 'what of 2 by 6', 'fails of 2 by 6'], $gone);
    }

    public function test_what_each_editor_did_and_what_of_it_still_stands(): void
    {
        $history = new Attribution($this->steps(self::LETTER));
        $one = $history->contributions()[1];
        $two = $history->contributions()[2];
        // Editor 1 wrote the odd versions, editor 2 the even ones.
        self::assertSame([4, 4, 0], [$one->wordsAdded, $one->wordsStanding, $one->wordsRemoved]);
        self::assertSame([5, 0, 5], [$two->wordsAdded, $two->wordsStanding, $two->wordsRemoved]);
        self::assertSame([1, 1, 0], [$one->partsAdded, $one->partsStanding, $one->partsRemoved]);
        self::assertSame([1, 0, 1, 1], [$two->partsAdded, $two->partsStanding, $two->partsRemoved, $two->partsMoved]);
        self::assertSame([3, 5], array_keys($one->versions));
    }

    public function test_who_wrote_which_cell(): void
    {
        $history = new Attribution($this->steps(self::SHEET, 'spreadsheet'), new Grid('column', 'row'));
        self::assertSame(4, $history->ofField('r1', 'c2'));
        self::assertSame(2, $history->ofField('r2', 'c1'));
        self::assertNull($history->ofField('r2', 'c2'));
        self::assertNull($history->ofField('r1', 'c1'));
        $two = $history->contributions()[2];
        self::assertSame([4, 1, 2], [$two->cellsWritten, $two->cellsEmptied, $two->cellsStanding]);
        $gone = array_map(fn (Gone $gone) => "{$gone->text} of {$gone->by} by {$gone->version}", $history->gone());
        self::assertSame(['12 of  by 2', '8 of 2 by 4', '14 of 2 by 4'], $gone);
    }

    public function test_every_version_that_changed_a_part_with_its_value(): void
    {
        $steps = $this->steps(self::SHEET, 'spreadsheet');
        $numbers = fn (array $moments): array => array_map(fn (Moment $moment) => $moment->number, $moments);
        $cell = PartHistory::of('r1', $steps, 'c2');
        self::assertSame([2, 4], $numbers($cell));
        self::assertSame([14, 15], array_map(fn (Moment $moment) => $moment->value, $cell));
        self::assertSame([2, 3, 4], $numbers(PartHistory::of('r2', $steps)), 'version 3 moved it');
        self::assertSame([2, 4], $numbers(PartHistory::ofColumn('c2', $steps)));
        self::assertSame([2, 3, 4], $numbers(PartHistory::ofSubtree('t1', $steps, Sketch::read(self::SHEET[0], 'spreadsheet')->parents())));
        self::assertSame([], PartHistory::of('r7', $steps));
    }

    public function test_a_part_is_followed_out_of_and_into_a_subtree(): void
    {
        $states = [
            "i1 - tools\n  i2 - saw\ni3 - paint",
            "i1 - tools\ni2 - saw\ni3 - paint",
            "i1 - tools\ni2 - hacksaw\ni3 - paint",
            "i1 - tools\n  i3 - paint\ni2 - hacksaw",
        ];
        $moments = PartHistory::ofSubtree('i1', $this->steps($states), Sketch::read($states[0])->parents());
        self::assertSame([2, 4], array_map(fn (Moment $moment) => $moment->number, $moments));
    }

    public function test_when_a_phrase_appeared_and_went(): void
    {
        $spans = $this->spans(...);
        self::assertSame([[null, null]], $spans('every', self::LETTER));
        self::assertSame([[2, 4]], $spans('AND LEAD', self::LETTER));
        self::assertSame([[3, null]], $spans('red socket', self::LETTER));
        self::assertSame([[2, 6]], $spans('tape', self::LETTER));
        self::assertSame([], $spans('hammer', self::LETTER));
        self::assertSame([[2, 4]], $spans('14', self::SHEET, 'spreadsheet'));
        self::assertSame([[null, 2]], $spans('12', self::SHEET, 'spreadsheet'));
        self::assertSame([[null, 2], [3, null]], $spans('a', ['p1 . a', 'p1 . b', 'p1 . a']));
        // Moved is not gone.
        self::assertSame([[null, null]], $spans('lamp', ["i1 - lamp\ni2 - saw", "i2 - saw\ni1 - lamp"]));
    }

    public function test_taking_out_keeps_later_work_and_gives_back_what_cannot_be_separated(): void
    {
        $states = array_map(Sketch::read(...), [
            'p1 . Test every socket.',
            'p1 . Test every single socket.',
            "p1 . Test every single socket.\np2 . Tape what fails.",
            "p1 . Test every solitary socket.\np2 . Tape what fails.",
        ]);
        $last = TakeOut::of($states[3], [[$states[2], $states[3]]]);
        self::assertSame([[], Sketch::write($states[2])], [$last->conflicts, Sketch::write($last->tree)]);
        $middle = TakeOut::of($states[3], [[$states[1], $states[2]]]);
        self::assertSame([[], 'p1 . Test every solitary socket.'], [$middle->conflicts, Sketch::write($middle->tree)]);
        $early = TakeOut::of($states[3], [[$states[0], $states[1]]]);
        self::assertSame("p1 . Test every solitary socket.\np2 . Tape what fails.", Sketch::write($early->tree));
        self::assertCount(1, $early->conflicts);
        $both = TakeOut::of($states[3], [[$states[2], $states[3]], [$states[0], $states[1]]]);
        self::assertSame([[], "p1 . Test every socket.\np2 . Tape what fails."], [$both->conflicts, Sketch::write($both->tree)]);
        self::assertSame([[9, 12], [1, 5]], TakeOut::runs([3 => 1, 5 => 3, 12 => 9]), 'where versions are no longer kept');
        self::assertSame([[6, 7], [1, 4]], TakeOut::runs([2 => 1, 3 => 2, 4 => 3, 7 => 6]));
        // What a kind sets right is set right after each version, before the next one is taken out.
        $seen = [];
        TakeOut::of($states[3], [[$states[2], $states[3]], [$states[0], $states[1]]], function (PartTree $tree) use (&$seen): PartTree {
            $seen[] = Sketch::write($tree);

            return PartTree::of([]);
        });
        self::assertSame([Sketch::write($states[2]), ''], $seen);
    }

    /** @return array<string, array{KeepingRules, string}> the numbers that stay of a version every 6 hours over 200 days */
    public static function rules(): array
    {
        $design = [new KeepingStep(7, Pace::Every), new KeepingStep(90, Pace::Daily), new KeepingStep(null, Pace::Monthly)];

        return [
            'everything' => [new KeepingRules([new KeepingStep(null, Pace::Every)]), '801 of 801'],
            'everything for a week, a day for three months, then a month' => [new KeepingRules($design), '124 of 801'],
            'nothing but the exempt past a week' => [new KeepingRules([new KeepingStep(7, Pace::Every)]), '29 of 801'],
            'no rules keep the exempt' => [new KeepingRules([]), '2 of 801'],
            'fifty at most' => [new KeepingRules($design, 50), '50 of 801'],
            'one at most keeps the exempt all the same' => [new KeepingRules($design, 1), '2 of 801'],
            'weekly' => [new KeepingRules([new KeepingStep(null, Pace::Weekly)]), '31 of 801'],
            'yearly' => [new KeepingRules([new KeepingStep(null, Pace::Yearly)]), '2 of 801'],
            'hourly' => [new KeepingRules([new KeepingStep(null, Pace::Hourly)]), '801 of 801'],
        ];
    }

    #[DataProvider('rules')]
    public function test_versions_thin_by_the_rules(KeepingRules $rules, string $stays): void
    {
        $start = 1_767_225_600;
        $versions = array_map(fn (int $at) => new Kept($at + 1, $start + $at * 21_600), range(0, 800));
        $now = $start + 800 * 21_600;
        $rehearsal = $rules->rehearse($versions, $now);
        self::assertSame($stays, count($rehearsal->stay).' of '.(count($rehearsal->stay) + count($rehearsal->go)));
        self::assertArrayHasKey(1, $rehearsal->stay);
        self::assertSame(Exemption::Newest, $rehearsal->stay[801]);
        $kept = array_values(array_filter($versions, fn (Kept $version) => isset($rehearsal->stay[$version->number])));
        self::assertSame([], $rules->rehearse($kept, $now)->go, 'thinning what was thinned changes nothing');
    }

    public function test_what_is_exempt_stays_and_stands_for_its_stretch(): void
    {
        $rules = new KeepingRules([new KeepingStep(null, Pace::Daily)]);
        $day = 86_400;
        $versions = [
            new Kept(1, 10),
            new Kept(2, 20, Exemption::Pinned),
            new Kept(3, 30),
            new Kept(4, $day + 10),
            new Kept(5, $day + 20, Exemption::Milestone),
            new Kept(6, 2 * $day),
        ];
        $rehearsal = $rules->rehearse($versions, 3 * $day);
        self::assertSame([4], $rehearsal->go);
        self::assertSame(
            [1 => Exemption::First, 2 => Exemption::Pinned, 3 => Pace::Daily, 5 => Exemption::Milestone, 6 => Exemption::Newest],
            $rehearsal->stay,
        );
        // On a clock an hour ahead, the last ten seconds of a day are of the next one.
        $late = [new Kept(1, 0), new Kept(2, $day - 3_000), new Kept(3, $day + 10), new Kept(4, 2 * $day)];
        self::assertSame([], $rules->rehearse($late, 3 * $day)->go);
        self::assertSame([2], $rules->rehearse($late, 3 * $day, 3_600)->go);
    }

    /**
     * @param  list<string>  $states
     * @return list<array{int|null, int|null}>
     */
    private function spans(string $phrase, array $states, string $kind = 'document'): array
    {
        return array_map(
            fn (Lifespan $span) => [$span->from, $span->to],
            Lifespans::of($phrase, Sketch::read($states[0], $kind), $this->steps($states, $kind)),
        );
    }

    /**
     * Version 1 is where it begins; odd ones are by editor 1, even ones by editor 2.
     *
     * @param  list<string>  $states
     * @return list<Step>
     */
    private function steps(array $states, string $kind = 'document'): array
    {
        $trees = array_map(fn (string $state): PartTree => Sketch::read($state, $kind), $states);
        $steps = [];
        for ($at = 1; $at < count($trees); $at++) {
            $steps[] = new Step($at + 1, 1 + ($at % 2 === 0 ? 0 : 1), TreeCompare::of($trees[$at - 1], $trees[$at]));
        }

        return $steps;
    }
}
