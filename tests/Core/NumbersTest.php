<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Dataset\FieldType;
use MistyAttic\Core\Kinds\Dataset\NumberWriting;
use MistyAttic\Core\Kinds\Dataset\Source;
use NumberFormatter;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Numbers as people write them: a column is read in its own way, and what fits none stays as it is. */
final class NumbersTest extends TestCase
{
    /**
     * @return array<string, array{string, array{int|float, string}|null, array{int|float, string}|null}> text, read with a point, read with
     *     a comma
     */
    public static function written(): array
    {
        $one = fn (string $text, int|float|null $point, int|float|null $comma, string $currency = ''): array => [
            $text,
            $point === null ? null : [$point, $currency],
            $comma === null ? null : [$comma, $currency],
        ];

        return [
            'a comma before decimals' => $one('1,50', null, 1.5),
            'a point before decimals' => $one('1.50', 1.5, null),
            'both, the comma last' => $one('1.234,50', null, 1234.5),
            'both, the point last' => $one('1,234.50', 1234.5, null),
            'what could be either' => $one('1,234', 1234, 1.234),
            'lakh' => $one('12,34,567.8', 1234567.8, null),
            'thin spaces' => $one("1\u{2009}234,5", null, 1234.5),
            'spaces that do not break' => $one("1\u{a0}234\u{202f}567", 1234567, 1234567),
            'apostrophes' => $one("1'234.5", 1234.5, null),
            'other apostrophes' => $one('1’234.5', 1234.5, null),
            'several groups' => $one('1.234.567', null, 1234567),
            'euros before' => $one('€10', 10, 10, 'EUR'),
            'euros behind' => $one("10\u{a0}€", 10, 10, 'EUR'),
            'dollars' => $one('$20', 20, 20, '$'),
            'a code' => $one('30 CHF', 30, 30, 'CHF'),
            'no code' => $one('10 XYZ', null, null),
            'a unit' => $one('5 km', null, null),
            'two currencies' => $one('€5 CHF', null, null),
            'in brackets' => $one('(12.50)', -12.5, null),
            'a bracket' => $one('(12', null, null),
            'minus behind' => $one('12-', -12, -12),
            'a long minus' => $one('−5', -5, -5),
            'twice minus' => $one('(-5)', null, null),
            'percent' => $one('12%', 0.12, 0.12),
            'percent with a comma' => $one('12,5 %', null, 0.125),
            'a postcode' => $one('01234', null, null),
            'a zero' => $one('0', 0, 0),
            'an order number' => $one('12345678901234567890', null, null),
            'full width' => $one('１２３４', 1234, 1234),
            'full width with signs' => $one('１，２３４．５', 1234.5, null),
            'Arabic digits' => $one('٣٤', 34, 34),
            'a power' => $one('10²', null, null),
            'an exponent' => $one('1.5E-3', 0.0015, null),
            'groups of two' => $one('1,23,4', null, null),
            'a version' => $one('1.2.3', null, null),
            'nothing' => $one('', null, null),
            'a dash' => $one('-', null, null),
        ];
    }

    /**
     * @param  array{int|float, string}|null  $point
     * @param  array{int|float, string}|null  $comma
     */
    #[DataProvider('written')]
    public function test_a_text_is_read_as_a_number_whole_or_not_at_all(string $text, ?array $point, ?array $comma): void
    {
        foreach (['.' => $point, ',' => $comma] as $decimal => $expected) {
            $read = (new NumberWriting($decimal))->read($text);
            self::assertSame($expected, $read === null ? null : [$read['number'], $read['currency']], "{$text} with {$decimal}");
        }
    }

    public function test_what_a_locale_writes_is_read_as_the_number_that_it_was(): void
    {
        mt_srand($seed = random_int(1, 1 << 30));
        foreach (['en', 'de', 'fr', 'de_CH', 'sv', 'hi', 'pt_BR', 'pl', 'es', 'ja'] as $locale) {
            $format = new NumberFormatter($locale, NumberFormatter::DECIMAL);
            $format->setAttribute(NumberFormatter::MAX_FRACTION_DIGITS, 2);
            $numbers = array_map(fn () => mt_rand(-99_999_999, 99_999_999) / 100, range(1, 60));
            $texts = array_map(fn (float $number) => (string) $format->format($number), $numbers);
            $writing = NumberWriting::of($texts);
            self::assertEquals(
                $numbers,
                array_map(fn (string $text) => $writing->read($text)['number'] ?? $text, $texts),
                "{$locale}, seed {$seed}",
            );
            $type = FieldType::seen($texts);
            self::assertSame('number', $type->type, "{$locale}, seed {$seed}");
            self::assertEqualsWithDelta(array_sum($numbers), array_sum(array_map($type->value(...), $texts)), 0.001);
        }
    }

    /** @return array<string, array{list<mixed>, string, string, string, int}> values, type, mark, currency, left as they are */
    public static function columns(): array
    {
        return [
            'commas' => [['1,50', '2,25', '1.234,50'], 'number', ',', '', 0],
            'a few that are none' => [[...array_fill(0, 30, '2,5'), 'n/a', '—'], 'number', ',', '', 2],
            'most are written with a point' => [[...array_fill(0, 30, '2.5'), '2,5'], 'number', '.', '', 1],
            'euros, and others' => [[...array_fill(0, 30, '€10'), '$20', '30 CHF', '7'], 'money', '.', 'EUR', 2],
            'postcodes' => [['01234', '98765', '10115'], 'text', '.', '', 0],
            'numbers of a workbook' => [[1.5, 2, 3], 'number', '.', '', 0],
            'mostly words' => [['one', '2', 'three', '4'], 'text', '.', '', 0],
        ];
    }

    /** @param list<mixed> $values */
    #[DataProvider('columns')]
    public function test_a_column_is_seen_as_what_most_of_it_is_and_counts_the_rest(
        array $values,
        string $name,
        string $decimal,
        string $currency,
        int $left,
    ): void {
        $type = FieldType::seen($values);
        self::assertSame([$name, $decimal, $currency, $left], [$type->type, $type->decimal, $type->currency, $type->misfits($values)]);
        $source = new Source(
            ['n' => 'N'],
            array_map(fn (mixed $value) => ['n' => $value], array_combine(array_map(fn (int $at) => "r{$at}", array_keys($values)), $values)),
        );
        $tree = $source->tree($source->types());
        self::assertEquals($type, FieldType::of($tree->get('n')));
        // Taken in again under what the field is, it is the same.
        self::assertTrue($source->tree([], PartTree::of([$tree->get('n')]))->equals($tree));
    }

    public function test_a_file_that_is_plain_text_is_read_as_it_is_written(): void
    {
        $source = new Source(['n' => 'Netto'], ['r0' => ['n' => '1,50'], 'r1' => ['n' => 1.234]], hint: '.');
        self::assertSame([1.5, 1234], array_map(fn (string $id) => $source->tree($source->types())->get($id)->fields['n'], ['r0', 'r1']));
    }

    public function test_what_is_typed_is_read_as_numbers_are_shown_unless_it_can_only_be_the_other(): void
    {
        $type = new FieldType('money', decimal: ',', currency: 'EUR');
        self::assertSame(
            [1.5, 1.5, 1234, 1234.5, '$5', 'many'],
            array_map($type->typed(...), ['1.50', '1,50', '1,234', '1.234,50', '$5', 'many']),
        );
    }
}
