<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Dataset;

use IntlChar;
use MistyAttic\Core\Kinds\Cell;
use ResourceBundle;

/**
 * How numbers are written in a column: `1,234.50` or `1.234,50`, which is a matter of the whole column and not of one value, as `1,234`
 * shows. Thousands may also stand apart by spaces or apostrophes, or in the groups of lakh and crore. A number that could be read in
 * only a part of its text is none: nothing is passed over.
 */
final readonly class NumberWriting
{
    private const SPACES = '/[\p{Zs}\x{2060}\x{feff}]/u';

    private const SIGNS = [
        '−' => '-',
        '–' => '-',
        '－' => '-',
        '＋' => '+',
        '，' => ',',
        '．' => '.',
        '％' => '%',
        '’' => "'",
        '（' => '(',
        '）' => ')',
    ];

    /** Digits beyond which a number would lose some of them; such is a number of an order or an account. */
    private const MOST_DIGITS = 15;

    /** @param string $decimal the mark before the decimals: a point or a comma */
    public function __construct(public string $decimal = '.') {}

    /**
     * The way that fits most of some texts; where both fit as many, the hint.
     *
     * @param  iterable<string>  $texts
     */
    public static function of(iterable $texts, string $hint = '.'): self
    {
        [$point, $comma] = [new self('.'), new self(',')];
        $more = 0;
        foreach ($texts as $text) {
            if (strpbrk($text, '.,．，') !== false) {
                $more += ($point->read($text) === null ? 0 : 1) - ($comma->read($text) === null ? 0 : 1);
            }
        }

        return $more === 0 ? new self($hint) : ($more > 0 ? $point : $comma);
    }

    /**
     * What somebody types: read the only way it can be, and where there are two, with a point before the decimals, as numbers are shown.
     *
     * @return array{number: int|float, currency: string}|null
     */
    public static function typed(string $text): ?array
    {
        return (new self('.'))->read($text) ?? (new self(','))->read($text);
    }

    /**
     * @return array{number: int|float, currency: string}|null the currency is a sign or a code of ISO 4217, or empty; null when it is no
     *     number
     */
    public function read(string $text): ?array
    {
        if (preg_match('/^(-?)(\d{1,15})(?:([.,])(\d{1,9}))?$/D', $text, $found) === 1) {
            return $this->short($found[1], $found[2], $found[3] ?? '', $found[4] ?? '');
        }
        $text = self::plain($text);
        $currency = '(?<currency%d>(?:[A-Z]{1,2})?\p{Sc}|[A-Z]{3})';
        $pattern = '/^(?<open>\()?(?<sign>[+-])?\s?(?:'
        .sprintf($currency, 1)
        .'\s?)?(?<inner>[+-])?(?<number>[\d.,\' ]*\d(?:[eE][+-]?\d{1,3})?)\s?(?<percent>%)?(?:\s?'
        .sprintf($currency, 2)
        .')?\s?(?<after>-)?(?<close>\))?$/Du';
        if (preg_match($pattern, $text, $found, PREG_UNMATCHED_AS_NULL) !== 1 || ($found['open'] === null) !== ($found['close'] === null)) {
            return null;
        }
        $signs = array_filter([$found['sign'], $found['inner'], $found['after'], $found['open']], fn (?string $sign) => $sign !== null);
        $codes = array_values(array_filter([$found['currency1'], $found['currency2']], fn (?string $code) => $code !== null));
        $number = $this->number((string) $found['number']);
        if (
            $number === null
            || count($signs) > 1
            || count($codes) > 1
            || ($codes !== [] && ($found['percent'] !== null || ! self::isCurrency($codes[0])))
        ) {
            return null;
        }
        $number = in_array(reset($signs), ['-', '('], true) ? -$number : $number;

        return [
            'number' => Cell::number($found['percent'] === null ? $number : $number / 100),
            'currency' => self::currency($codes[0] ?? ''),
        ];
    }

    /**
     * Most numbers have no more than one mark, and are told fast.
     *
     * @return array{number: int|float, currency: string}|null
     */
    private function short(string $sign, string $whole, string $mark, string $rest): ?array
    {
        if (strlen($whole) > 1 && $whole[0] === '0') {
            return null;
        }
        if ($mark !== '' && $mark !== $this->decimal) {
            [$whole, $rest] = strlen($rest) === 3 && strlen($whole) <= 3 && $whole !== '0' ? [$whole.$rest, ''] : ['', ''];
        }

        return $whole === ''
            ? null
            : ['number' => Cell::number($rest === '' ? (int) ($sign.$whole) : (float) "{$sign}{$whole}.{$rest}"), 'currency' => ''];
    }

    /** One currency has one name: its code where its sign says no less. */
    private static function currency(string $written): string
    {
        return ['€' => 'EUR', '£' => 'GBP'][$written] ?? $written;
    }

    private function number(string $text): int|float|null
    {
        $decimal = preg_quote($this->decimal, '/');
        $thousands = $this->decimal === '.' ? ',' : '\.';
        [$mantissa, $exponent] = preg_split('/(?=[eE])/', $text, 2) + [1 => ''];
        if (
            preg_match(
                "/^(?<whole>\\d*|\\d{1,3}(?:(?<mark>{$thousands}|[ '])\\d{3})(?:\\k<mark>\\d{3})*|\\d{1,2}(?:,\\d\\d)+,\\d{3})(?:{$decimal}(?<decimals>\\d+))?$/D",
                $mantissa,
                $found,
                PREG_UNMATCHED_AS_NULL,
            ) !== 1
        ) {
            return null;
        }
        $whole = preg_replace('/\D/', '', (string) $found['whole']) ?? '';
        $decimals = $found['decimals'] ?? '';
        // What begins with a zero that counts for nothing is a code or a number of somebody's own.
        if (
            ($whole === '' && $decimals === '')
            || preg_match('/^0\d/', $whole) === 1
            || ($this->decimal === ',' && preg_match('/\d,\d\d,/', (string) $found['whole']) === 1)
        ) {
            return null;
        }
        if ($decimals === '' && $exponent === '') {
            return strlen($whole) > self::MOST_DIGITS ? null : (int) $whole;
        }
        $number = (float) (($whole === '' ? '0' : $whole).($decimals === '' ? '' : ".{$decimals}").$exponent);

        return is_finite($number) ? $number : null;
    }

    private static function plain(string $text): string
    {
        if (preg_match('/^[\x21-\x7e]*$/D', $text) === 1) {
            return $text;
        }
        $text = trim((string) preg_replace(self::SPACES, ' ', strtr($text, self::SIGNS)));

        return (string) preg_replace_callback(
            '/(?![0-9])\p{Nd}/u',
            fn (array $digit): string => (string) IntlChar::charDigitValue($digit[0]),
            $text,
        );
    }

    private static function isCurrency(string $code): bool
    {
        static $known = null;
        if (preg_match('/^[A-Z]{3}$/D', $code) !== 1) {
            return true;
        }
        $known ??= ResourceBundle::create('en', 'ICUDATA-curr')?->get('Currencies') ?? [];

        return $known[$code] !== null;
    }
}
