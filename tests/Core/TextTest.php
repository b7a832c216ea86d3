<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Compare\Texts\Span;
use MistyAttic\Core\Compare\Texts\SpanKind;
use MistyAttic\Core\Compare\Texts\TextAuthors;
use MistyAttic\Core\Compare\Texts\TextCompare;
use MistyAttic\Core\Compare\Texts\Word;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\CanonicalJson;
use MistyAttic\Core\Content\InvalidContent;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\History\Sittings;
use MistyAttic\Core\Kinds\Document\DocumentKind;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Merge\TextMeeting;
use MistyAttic\Core\Merge\TextMerge;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class TextTest extends TestCase
{
    /** @return array<string, array{string, string, string}> old, new, and how it reads: [-removed-] {+added+} */
    public static function texts(): array
    {
        return [
            'a word' => ['the red bin', 'the blue bin', 'the [-red-]{+blue+} bin'],
            'crumbs become a phrase' => ['Two look at it', 'Two test every socket', 'Two [-look at it-]{+test every socket+}'],
            'far apart stays apart' => [
                'red bins stand by the door, open',
                'blue bins stand by the door, closed',
                '[-red-]{+blue+} bins stand by the door, [-open-]{+closed+}',
            ],
            'two insertions around a short word stay two' => [
                'lamps and leads',
                'lamps big and now leads',
                'lamps {+big +}and{+ now+} leads',
            ],
            'an end' => ['Sign the log', 'Sign the log, twice', 'Sign the log{+, twice+}'],
            'all new' => ['', 'Sign the log', '{+Sign the log+}'],
            'a line break' => ["one\ntwo", "one\nthree", "one\n[-two-]{+three+}"],
            'signs made of several points' => ['a 👩‍🔧 here', 'a 👨‍🔧 here', 'a [-👩‍🔧-]{+👨‍🔧+} here'],
            'combining signs stay whole' => ["cafe\u{301} open", 'cafe open', "[-cafe\u{301}-]{+cafe+} open"],
        ];
    }

    #[DataProvider('texts')]
    public function test_a_comparison_reads_well_and_holds_both_sides(string $old, string $new, string $read): void
    {
        $spans = TextCompare::of(RichText::plain($old), RichText::plain($new), new Words)->spans();
        self::assertSame(
            $read,
            implode(
                '',
                array_map(
                    fn (Span $span) => match ($span->kind) {
                        SpanKind::Added => '{+'.$span->text->text().'+}',
                        SpanKind::Removed => '[-'.$span->text->text().'-]',
                        default => $span->text->text(),
                    },
                    $spans,
                ),
            ),
        );
        $side = fn (SpanKind $without) => implode(
            '',
            array_map(fn (Span $span) => $span->kind === $without ? '' : $span->text->text(), $spans),
        );
        self::assertSame([$old, $new], [$side(SpanKind::Added), $side(SpanKind::Removed)]);
    }

    public function test_changes_of_marks_are_told_from_changes_of_words(): void
    {
        $old = new RichText([new Run('Sign the log')]);
        $new = new RichText([new Run('Sign '), new Run('the', ['bold' => true]), new Run(' log')]);
        $spans = TextCompare::of($old, $new, new Words)->spans();
        self::assertSame([SpanKind::Same, SpanKind::Formatted, SpanKind::Same], array_column($spans, 'kind'));
        self::assertSame('the', $spans[1]->was?->text());
    }

    public function test_words_joined_again_are_the_text_whatever_it_is(): void
    {
        foreach (['Hello, world!', "a\u{301}b 👨‍👩‍👧 مرحبا 你好", "\n\n \t", 'Ünïcödé—“quoted”'] as $text) {
            $rich = new RichText([new Run(mb_substr($text, 0, 3)), new Run(mb_substr($text, 3), ['italic' => true])]);
            self::assertTrue(Word::join((new Words)->of($rich))->equals($rich), $text);
        }
    }

    public function test_each_word_is_told_by_the_step_that_wrote_or_removed_it(): void
    {
        $states = array_map(RichText::plain(...), ['one two three', 'one two three four', 'one three four', 'one three four five']);
        $authors = TextAuthors::through($states, new Words);
        $words = array_column((new Words)->of($states[3]), 'text');
        self::assertSame(
            [0, 2],
            [$authors->addedBy[array_search('four', $words, true)], $authors->addedBy[array_search('five', $words, true)]],
        );
        self::assertSame(1, $authors->removedBy[array_search('two', array_column((new Words)->of($states[0]), 'text'), true)]);
        self::assertArrayNotHasKey(0, $authors->addedBy);
    }

    public function test_rich_text_has_one_form(): void
    {
        $one = new RichText([new Run('a'), new Run(''), new Run('b'), new Run('c', ['italic' => true, 'bold' => true])]);
        $two = new RichText([new Run('ab'), new Run('c', ['bold' => true, 'italic' => true])]);
        self::assertTrue($one->equals($two));
        self::assertSame(CanonicalJson::encode($one->toJson()), CanonicalJson::encode($two->toJson()));
        self::assertTrue(RichText::fromJson($one->toJson())->equals($one));
    }

    public function test_canonical_json_is_one_way_of_writing(): void
    {
        self::assertSame('{"a":[1,1.5],"b":"é/"}', CanonicalJson::encode(['b' => 'é/', 'a' => [1.0, 1.5]]));
        $deep = [];
        for ($i = 0; $i < 100_000; $i++) {
            $deep = [$deep];
        }
        foreach ([NAN, INF, "\xff", $deep] as $bad) {
            try {
                CanonicalJson::encode($bad);
                self::fail('was written');
            } catch (InvalidContent $e) {
                self::assertLessThan(200, strlen($e->getMessage()));
            }
        }
    }

    public function test_hostile_content_is_refused_with_few_words(): void
    {
        $kind = new DocumentKind;
        $deep = ['pabc', 'item', 0, ['text' => ['runs' => []]]];
        $many = array_fill(0, 60_000, $deep);
        foreach (
            [
                null,
                3,
                'x',
                [[]],
                ['a' => 1],
                [$deep, $deep],
                [[str_repeat('x', 10_000), 'item', 0, []]],
                [['pabc', "\xff", 0, []]],
                [['pabc', 'item', 1_000_000, []]],
                $many,
            ] as $content
        ) {
            $problems = $kind->read($content, new Limits)->problems;
            self::assertNotEmpty($problems);
            self::assertLessThanOrEqual(50, count($problems));
            self::assertLessThan(20_000, strlen((string) json_encode($problems)));
        }
    }

    public function test_versions_fold_into_sittings_by_their_pauses(): void
    {
        self::assertSame([[0, 2], [2, 3]], Sittings::fold([0, 1800, 3601]));
        self::assertSame([], Sittings::fold([]));
    }

    public function test_ascii_is_cut_as_icu_cuts_it(): void
    {
        $words = new Words;
        $random = new Randomizer(new Mt19937((int) (getenv('SEED') ?: random_int(1, 1_000_000))));
        for ($round = 0; $round < 3000; $round++) {
            $text = '';
            for ($at = $random->getInt(1, 12); $at > 0; $at--) {
                $text .= $random->getInt(0, 2) === 0
                    ? chr($random->getInt(0, 127))
                    : ['a', 'B', '1', '0', '.', ',', ':', ';', "'", '_', ' ', "\r", "\n", '@'][$random->getInt(0, 13)];
            }
            $judge = \IntlBreakIterator::createWordInstance('und') ?? self::fail();
            $judge->setText($text);
            self::assertSame(iterator_to_array($judge->getPartsIterator(), false), $words->cut($text), (string) json_encode($text));
        }
    }

    public function test_a_merge_of_texts_drops_no_word_that_only_one_side_wrote(): void
    {
        $words = new Words;
        $seed = (int) (getenv('SEED') ?: random_int(1, 1_000_000));
        for ($round = 0; $round < 400; $round++) {
            $random = new Randomizer(new Mt19937($seed + $round));
            $base = array_map(fn (int $at) => "w{$at}", range(1, $random->getInt(1, 12)));
            $sides = [];
            foreach (['t', 'm'] as $who) {
                $side = $base;
                for ($edits = $random->getInt(0, 3); $edits > 0; $edits--) {
                    array_splice($side, $random->getInt(0, count($side)), $random->getInt(0, 2), ["{$who}{$edits}"]);
                }
                $sides[$who] = RichText::plain(implode(' ', $side));
            }
            $merge = TextMerge::of(RichText::plain(implode(' ', $base)), $sides['t'], $sides['m'], $words);
            $kept = $merge->text->text().' '.implode(' ', array_map(fn (TextMeeting $meeting) => $meeting->mine->text(), $merge->meetings));
            foreach ([...explode(' ', $sides['t']->text()), ...explode(' ', $sides['m']->text())] as $word) {
                // A word of the base may have been removed by the other side; what a side wrote itself may not get lost.
                if (! str_starts_with($word, 'w')) {
                    self::assertMatchesRegularExpression("/\\b{$word}\\b/", $kept, 'SEED='.($seed + $round));
                }
            }
            foreach ($base as $word) {
                if (preg_match("/\\b{$word}\\b/", $sides['t']->text()) === 1 && preg_match("/\\b{$word}\\b/", $sides['m']->text()) === 1) {
                    self::assertMatchesRegularExpression("/\\b{$word}\\b/", $kept, 'SEED='.($seed + $round));
                }
            }
        }
    }
}
