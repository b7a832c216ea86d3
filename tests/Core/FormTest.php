<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Entry\Answers;
use MistyAttic\Core\Kinds\Entry\EntryKind;
use MistyAttic\Core\Kinds\Entry\SentAnswers;
use MistyAttic\Core\Kinds\Form\Arrow;
use MistyAttic\Core\Kinds\Form\Flow;
use MistyAttic\Core\Kinds\Form\FlowProblem;
use MistyAttic\Core\Kinds\Limits;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The way through forms, and answers to them. */
final class FormTest extends TestCase
{
    private const FORM = <<<'TEXT'
        p1 page title=The thing
          q1 question type=one | text=What are you bringing? | required=TRUE
            c1 choice label=Something with a plug
            c2 choice label=Clothes
            c3 choice label=Something else | other=TRUE
            r1 skip_rule when=is | value=c2 | action=go | target=p2
            r2 skip_rule when=is | value=c3 | action=show | target=q3
          q2 question type=yes_no | text=Does it smell?
            r3 skip_rule when=is | value=yes | action=hide | target=q4
          q3 question type=long | text=What is it?
        p2 page title=You
          q4 question type=number | text=How many?
            r4 skip_rule when=above | value=10 | action=end
          q5 question type=email | text=Your address | required=TRUE
        TEXT;

    /** @return array<string, array{array<string, mixed>, list<string>}> what is sent, what is asked */
    public static function walks(): array
    {
        return [
            'nothing yet' => [[], ['q1', 'q2', 'q4', 'q5']],
            'over a page' => [['q1' => 'c2'], ['q1', 'q4', 'q5']],
            'one is shown' => [['q1' => 'c3'], ['q1', 'q2', 'q3', 'q4', 'q5']],
            'one is hidden' => [['q1' => 'c1', 'q2' => 'yes'], ['q1', 'q2', 'q5']],
            'a hidden one ends nothing' => [['q1' => 'c1', 'q2' => 'yes', 'q4' => '11'], ['q1', 'q2', 'q5']],
            'it ends' => [['q1' => 'c1', 'q4' => '11'], ['q1', 'q2', 'q4']],
            'not above' => [['q1' => 'c1', 'q4' => '9'], ['q1', 'q2', 'q4', 'q5']],
        ];
    }

    /**
     * @param  array<string, mixed>  $sent
     * @param  list<string>  $asked
     */
    #[DataProvider('walks')]
    public function test_the_way_that_answers_take(array $sent, array $asked): void
    {
        $form = Sketch::read(self::FORM, 'form');
        self::assertSame(
            $asked,
            (new Flow($form))->walk((new Answers($form, ['q5' => 'a@b.example'] + $sent))->entry()->byId())->questions,
        );
    }

    public function test_a_sound_form_has_no_problems_and_these_arrows(): void
    {
        $flow = new Flow(Sketch::read(self::FORM, 'form'));
        self::assertSame([], $flow->problems());
        self::assertSame(['q1>q2', 'q1>q4 by r1', 'q2>q3', 'q3>q4', 'q4>q5', 'q4>end by r4', 'q5>end'], array_map(
            fn (Arrow $arrow) => "{$arrow->from}>".($arrow->to ?? 'end').($arrow->rule === null ? '' : " by {$arrow->rule}"),
            $flow->arrows(),
        ));
    }

    /** @return array<string, array{array<string, string>, list<string>}> lines replaced, and what is wrong */
    public static function problems(): array
    {
        return [
            'a circle' => [['r4' => '    r4 skip_rule when=answered | action=go | target=q2'], ['circle q4 r4 q2']],
            'to itself' => [['r4' => '    r4 skip_rule when=answered | action=go | target=q4'], ['circle q4 r4 q4']],
            'its target is gone' => [['r1' => '    r1 skip_rule when=is | value=c2 | action=go | target=q9'], ['gone q1 r1 ']],
            'its choice is gone' => [['r1' => '    r1 skip_rule when=is | value=c9 | action=go | target=p2'], ['choice_gone q1 r1 p2']],
            'its question has no choices any more' => [
                ['q1' => '  q1 question type=short | text=What are you bringing? | required=TRUE', 'r2' => ''],
                ['choice_gone q1 r1 p2'],
            ],
            'it comes too late' => [['r4' => '    r4 skip_rule when=answered | action=hide | target=q1'], ['too_late q4 r4 q1']],
            'nobody gets there' => [
                [
                    'q2' => '  q2 question type=yes_no | text=Does it smell? | required=TRUE',
                    'r3'
                        => "    r3 skip_rule when=is | value=yes | action=go | target=q4\n    r5 skip_rule when=is | value=no | action=end",
                    'r2' => '',
                ],
                ['unreachable q3  '],
            ],
            'a page without questions' => [['q4' => '', 'r4' => '', 'q5' => ''], ['empty_page q1 r1 p2', 'gone q2 r3 ']],
        ];
    }

    /**
     * @param  array<string, string>  $lines
     * @param  list<string>  $wrong
     */
    #[DataProvider('problems')]
    public function test_what_cannot_be_meant_is_found(array $lines, array $wrong): void
    {
        $form = implode("\n", array_map(fn (string $line) => $lines[strtok(trim($line), ' ')] ?? $line, explode("\n", self::FORM)));
        self::assertSame($wrong, array_map(
            fn (FlowProblem $problem) => "{$problem->code} {$problem->question} {$problem->rule} {$problem->target}",
            (new Flow(Sketch::read($form, 'form')))->problems(),
        ));
    }

    public function test_what_waits_for_a_question_that_nobody_reaches_is_reached_by_nobody(): void
    {
        $form = Sketch::read(<<<'TEXT'
            p1 page title=A
              q1 question type=yes_no | text=One | required=TRUE
                r1 skip_rule when=answered | action=go | target=q3
              q2 question type=yes_no | text=Two
                r2 skip_rule when=is | value=yes | action=show | target=q4
              q3 question type=short | text=Three
              q4 question type=short | text=Four
            TEXT, 'form');
        self::assertSame(['q2', 'q4'], array_column((new Flow($form))->problems(), 'question'));
    }

    /** @return array<string, array{string, mixed, mixed}> the question, what is sent, and its value or the code of what is wrong */
    public static function answers(): array
    {
        return [
            'short' => ['type=short', "  a \n b ", 'a b'],
            'short, empty' => ['type=short', '   ', null],
            'short, too long' => ['type=short | most=3', 'four', '!too_long'],
            'short, too short' => ['type=short | least=3', 'ab', '!too_short'],
            'short, a list' => ['type=short', ['x'], null],
            'long' => ['type=long', "a\r\nb", "a\nb"],
            'a script is a text like any other' => ['type=short', '<script>alert(1)</script>', '<script>alert(1)</script>'],
            'email' => ['type=email', 'a@b.example', 'a@b.example'],
            'email, none' => ['type=email', 'a at b', '!email'],
            'date' => ['type=date', '2026-05-03', '2026-05-03'],
            'date, none' => ['type=date', '2026-02-30', '!date'],
            'time' => ['type=time', '23:59', '23:59'],
            'time, none' => ['type=time', '24:00', '!time'],
            'number' => ['type=number', '1,234.5', '1234.5'],
            'number, none' => ['type=number', '1e999', '!number'],
            'number, too small' => ['type=number | least=2', '1', '!too_small'],
            'number, too large' => ['type=number | most=2', '3', '!too_large'],
            'scale' => ['type=scale', '5', '5'],
            'scale, beyond' => ['type=scale', '6', '!choice'],
            'scale of its own' => ['type=scale | least=0 | most=10', '0', '0'],
            'yes' => ['type=yes_no', 'yes', 'TRUE'],
            'yes or no, neither' => ['type=yes_no', 'perhaps', '!choice'],
            'one' => ['type=one', 'c1', 'A'],
            'one, forged' => ['type=one', 'q1', '!choice'],
            'several' => ['type=several', ['c2', 'c1'], 'A, B'],
            'several, forged' => ['type=several', ['c1', 'zz'], '!choice'],
            'several, too many' => ['type=several | most=1', ['c1', 'c2'], '!too_many'],
            'several, just as many' => ['type=several | least=2 | most=2', ['c1', 'c2'], 'A, B'],
            'several, too few' => ['type=several | least=2', ['c1'], '!too_few'],
            'grid' => ['type=grid', ['l1' => 'c2'], 'L: B'],
            'grid, half of it' => ['type=grid', ['l1' => 'c2', 'l2' => ''], 'L: B'],
            'grid, half of one that is required' => ['type=grid | required=TRUE', ['l1' => 'c2', 'l2' => ''], '!too_few'],
            'grid, all of one that is required' => ['type=grid | required=TRUE', ['l1' => 'c2', 'l2' => 'c1'], 'L: B, M: A'],
            'grid, nothing of one that is required' => ['type=grid | required=TRUE', ['l1' => '', 'l2' => ''], '!required'],
            'grid, forged' => ['type=grid', ['l1' => 'l1'], '!choice'],
            'required' => ['type=short | required=TRUE', '', '!required'],
            'a note asks nothing' => ['type=note | required=TRUE', 'x', null],
        ];
    }

    #[DataProvider('answers')]
    public function test_an_answer_is_read_or_said_to_be_wrong(string $question, mixed $sent, ?string $expected): void
    {
        $form = Sketch::read(
            "p1 page title=A\n  q1 question {$question} | text=Well?\n    c1 choice label=A\n    c2 choice label=B\n    l1 grid_line label=L\n    l2 grid_line label=M",
            'form',
        );
        $answers = new Answers($form, ['q1' => $sent, 'q9' => 'forged']);
        if ($expected !== null && $expected[0] === '!') {
            self::assertSame(
                [[substr($expected, 1), 'q1']],
                array_map(fn (Problem $problem) => [$problem->code, $problem->path], $answers->problems),
            );
            self::assertSame([], $answers->entry()->parts);

            return;
        }
        self::assertSame([], $answers->problems);
        $answer = $answers->entry()->find('q1');
        self::assertSame($expected, match (true) {
            $answer === null => null,
            $answer->strings('said') !== [] => implode(', ', $answer->strings('said')),
            isset($answer->fields['value']) => Cell::show($answer->fields['value']),
            default => $answer->richText()->text(),
        });
        self::assertNull($answers->entry()->find('q9'));
        // An entry is content like any other.
        $wire = array_map(
            fn (Part $part) => [substr($part->id.'xxxx', 0, 4), ...array_slice($part->toJson(), 1)],
            $answers->entry()->parts,
        );
        self::assertSame([], (new EntryKind)->read(json_decode((string) json_encode($wire), true), new Limits)->problems);
    }

    public function test_of_several_rules_that_fit_the_first_decides_how_it_goes_on(): void
    {
        $rules = fn (string ...$rules): PartTree => Sketch::read(
            "p1 page title=A\n  q1 question type=one | text=Well?\n    c1 choice label=A\n"
                .implode(
                    '',
                    array_map(
                        fn (string $rule, int|string $at) => "    r{$at} skip_rule when=is | value=c1 | {$rule}\n",
                        $rules,
                        array_keys($rules),
                    ),
                )
                ."  q2 question type=short | text=Two\n  q3 question type=short | text=Three\n  q4 question type=short | text=Four",
            'form',
        );
        $asked = fn (PartTree $form): array => (new Flow($form))->walk((new Answers($form, ['q1' => 'c1']))->entry()->byId())->questions;
        self::assertSame(['q1', 'q3', 'q4'], $asked($rules('action=go | target=q3', 'action=go | target=q2')));
        self::assertSame(['q1', 'q3', 'q4'], $asked($rules('action=go | target=q3', 'action=end')));
        self::assertSame(['q1'], $asked($rules('action=end', 'action=go | target=q3')));
        // One that leads nowhere further decides nothing.
        self::assertSame(['q1', 'q4'], $asked($rules('action=go | target=q1', 'action=go | target=q4')));
        self::assertSame(['q1', 'q4'], $asked($rules('action=go | target=q4', 'action=show | target=q4')));
    }

    public function test_who_may_leave_a_question_out_goes_on_to_the_next(): void
    {
        $arrows = function (string $required): array {
            $form = Sketch::read(
                "p1 page title=A\n  q1 question type=yes_no | text=Well?{$required}\n    r1 skip_rule when=is | value=yes | action=go | target=q3\n    r2 skip_rule when=is | value=no | action=end\n"
                    ."  q2 question type=short | text=Two\n  q3 question type=short | text=Three",
                'form',
            );

            return [
                array_map(fn (Arrow $arrow) => [$arrow->from, $arrow->to], (new Flow($form))->arrows()),
                array_map(fn (FlowProblem $problem) => [$problem->code, $problem->question], (new Flow($form))->problems()),
            ];
        };
        self::assertSame([[['q1', 'q2'], ['q1', 'q3'], ['q1', null], ['q2', 'q3'], ['q3', null]], []], $arrows(''));
        self::assertSame([[['q1', 'q3'], ['q1', null], ['q2', 'q3'], ['q3', null]], [['unreachable', 'q2']]], $arrows(' | required=TRUE'));
    }

    public function test_own_words_stand_for_the_choice_that_asks_for_them(): void
    {
        $form = Sketch::read(self::FORM, 'form');
        $entry = (new Answers($form, ['q1' => 'c3', 'other-q1' => '  A   kite ', 'q5' => 'a@b.example']))->entry();
        self::assertSame([['c3'], ['A kite']], [$entry->get('q1')->strings('choices'), $entry->get('q1')->strings('said')]);
        self::assertSame(
            ['Clothes'],
            (new Answers($form, ['q1' => 'c2', 'other-q1' => 'A kite', 'q5' => 'a@b.example']))->entry()->get('q1')->strings('said'),
        );
    }

    public function test_what_is_not_touched_stays_where_it_is_whatever_the_form_asks_by_now(): void
    {
        $form = Sketch::read(self::FORM, 'form');
        $given = fn (array $sent): Answers => new Answers($form, ['q5' => 'a@b.example'] + $sent);
        $base = $given(['q1' => 'c1', 'q2' => 'no', 'q4' => '3'])->entry();
        // The form asks in another order since, and one question no more.
        $entry = PartTree::of([
            $base->get('q4'),
            $base->get('q1')->with('value', 'as it was'),
            new Part('q0', 'answer', 0, ['value' => 'Of before']),
            $base->get('q5'),
        ]);
        self::assertEquals($entry->parts, SentAnswers::into($form, $entry, [], $given([]))->parts);
        $into = SentAnswers::into($form, $entry, ['q2' => 'yes', 'q4' => ''], $given(['q1' => 'c1', 'q2' => 'yes']));
        self::assertSame(['q1', 'q2', 'q0', 'q5'], array_column($into->parts, 'id'));
        self::assertSame(
            ['q1', 'q5'],
            array_column(SentAnswers::into($form, PartTree::of([$base->get('q5')]), ['q1' => 'c2'], $given(['q1' => 'c2']))->parts, 'id'),
        );
    }

    public function test_what_is_not_asked_is_neither_kept_nor_wrong(): void
    {
        $answers = new Answers(Sketch::read(self::FORM, 'form'), [
            'q1' => 'c2',
            'q2' => 'perhaps',
            'q3' => 'hidden',
            'q5' => 'a@b.example',
        ]);
        self::assertSame([[], ['q1', 'q5']], [$answers->problems, array_column($answers->entry()->parts, 'id')]);
        $ended = new Answers(Sketch::read(self::FORM, 'form'), ['q1' => 'c1', 'q4' => '11']);
        self::assertSame([], $ended->problems, 'what comes after the end is not required');
    }

    public function test_all_that_is_wrong_is_said_at_once(): void
    {
        $answers = new Answers(Sketch::read(self::FORM, 'form'), ['q2' => 'perhaps', 'q4' => 'many', 'q5' => 'nobody']);
        $said = array_map(fn (Problem $problem) => "{$problem->path} {$problem->code}", $answers->problems);
        sort($said);
        self::assertSame(['q1 required', 'q2 choice', 'q4 number', 'q5 email'], $said);
    }
}
