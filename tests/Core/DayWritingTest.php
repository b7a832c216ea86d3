<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Kinds\Dataset\DayWriting;
use MistyAttic\Core\Kinds\Dataset\FieldType;
use PHPUnit\Framework\TestCase;

final class DayWritingTest extends TestCase
{
    public function test_days_are_read_in_the_only_way_they_can_be(): void
    {
        foreach (
            [
                '2026-05-03',
                '2026-5-3',
                '2026/05/03',
                '3.5.2026',
                '03. 05. 2026',
                '3 May 2026',
                '3. May 2026',
                '3-May-2026',
                'May 3, 2026',
                'may 3 2026',
            ] as $text
        ) {
            self::assertSame('2026-05-03', (new DayWriting)->read($text), $text);
        }
        self::assertSame(
            ['2026-09-03', '2026-09-03'],
            [(new DayWriting)->read('3 Sept 2026'), (new DayWriting('month'))->read('9/3/2026')],
        );
        self::assertSame(
            ['2026-05-03T09:05', '2026-05-03T14:05:09'],
            [(new DayWriting)->read('2026-05-03 9:05'), (new DayWriting)->read('3.5.2026, 14:05:09')],
        );
        foreach (
            ['3/5/2026', '31.2.2026', '3.5.26', '1.2.3', '3 Mag 2026', '2026-05/03', '13/13/2026', '3.5.2026 25:00', 'room 3, 2026', ''] as $text
        ) {
            self::assertNull((new DayWriting)->read($text), $text);
        }
    }

    public function test_a_column_says_which_of_two_numbers_is_the_month(): void
    {
        $first = fn (string ...$texts): string => DayWriting::of($texts)->first;
        self::assertSame(
            ['day', 'month', '', ''],
            [$first('3/5/2026', '24/5/2026'), $first('3/5/2026', '5/24/2026'), $first('3/5/2026'), $first('24/5/2026', '5/24/2026')],
        );
        self::assertSame(
            ['2026-05-03', '2026-03-05'],
            [(new DayWriting('day'))->read('3/5/2026'), (new DayWriting('month'))->read('3/5/2026')],
        );
        self::assertSame('day', DayWriting::of(['3/5/2026'], 'day')->first);
    }

    public function test_a_field_of_days_keeps_how_they_are_written_for_what_comes_later(): void
    {
        $type = FieldType::seen(['24/5/2026', '3/5/2026', '1/6/2026']);
        self::assertSame(['type' => 'date', 'days' => 'day'], $type->fields());
        self::assertSame([['d', '2026-05-03'], '5/24/2026'], [$type->value('3/5/2026'), $type->value('5/24/2026')]);
        self::assertSame(
            ['text', 'date'],
            [FieldType::seen(['3/5/2026', '4/5/2026'])->type, FieldType::seen(['3/5/2026', '4/5/2026'], ',')->type],
        );
        self::assertSame(['date', ''], [FieldType::seen(['3.5.2026', '4 May 2026'])->type, FieldType::seen(['3.5.2026'])->days]);
        self::assertSame(['d', '2026-05-03'], (new FieldType('text'))->asked('date', ['3/5/2026', '24/5/2026'])->value('3/5/2026'));
    }
}
