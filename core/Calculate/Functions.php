<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate;

use PhpOffice\PhpSpreadsheet\Calculation\Calculation;
use PhpOffice\PhpSpreadsheet\Calculation\Functions as Library;

/**
 * The functions of PhpSpreadsheet that formulas may call: those that take values and give one. Left out are all that look at
 * places instead of values, that go to the network or the machine, whose result is by chance, or that answer with a block.
 */
final class Functions
{
    private const LEFT_OUT = [
        // by places; ROW, COLUMN and SUBTOTAL are ours, see Evaluation
        'ADDRESS', 'AREAS', 'CELL', 'FORMULATEXT', 'GETPIVOTDATA', 'INDIRECT', 'INFO', 'ISFORMULA', 'ISREF', 'OFFSET', 'SHEET', 'SHEETS', 'RTD',
        // elsewhere
        'HYPERLINK', 'WEBSERVICE', 'FILTERXML', 'ENCODEURL',
        // by chance or by the clock
        'NOW', 'RAND', 'RANDARRAY', 'RANDBETWEEN',
        // blocks, and the library's own
        'ANCHORARRAY', 'CHOOSECOLS', 'CHOOSEROWS', 'DROP', 'EXPAND', 'FILTER', 'FREQUENCY', 'GROWTH', 'HSTACK', 'LET', 'LINEST', 'LOGEST', 'MINVERSE', 'MKMATRIX', 'MMULT', 'MUNIT',
        'NAME.ERROR', 'SEQUENCE', 'SINGLE', 'SORT', 'SORTBY', 'TAKE', 'TEXTSPLIT', 'TOCOL', 'TOROW', 'TRANSPOSE', 'TREND', 'UNIQUE', 'VSTACK', 'WRAPCOLS', 'WRAPROWS',
    ];

    /** Answers with a day. */
    private const DAYS = ['DATE', 'DATEVALUE', 'EDATE', 'EOMONTH', 'TODAY', 'WORKDAY', 'WORKDAY.INTL'];

    /** Answers with a day when it is asked about days. */
    private const LIKE_THEIR_VALUES = ['MIN', 'MAX', 'IF', 'IFS', 'IFERROR', 'IFNA', 'INDEX', 'VLOOKUP', 'HLOOKUP', 'XLOOKUP', 'LOOKUP', 'CHOOSE', 'SWITCH', 'LARGE', 'SMALL', 'MEDIAN', 'MINIFS', 'MAXIFS'];

    /**
     * Works as long as some of what it is given is large: which of its arguments, or all of them. Found by giving every
     * function numbers of 2 million and more.
     */
    private const COUNTING = [
        'BESSELI' => [], 'BESSELJ' => [], 'BESSELK' => [], 'BESSELY' => [], 'CHIDIST' => [], 'CHIINV' => [], 'CHISQ.DIST' => [], 'CHISQ.DIST.RT' => [], 'CHISQ.INV' => [], 'CHISQ.INV.RT' => [],
        'COMBIN' => [], 'COMBINA' => [], 'FACT' => [], 'FACTDOUBLE' => [], 'GAMMA.INV' => [], 'GAMMAINV' => [], 'HYPGEOMDIST' => [], 'MULTINOMIAL' => [], 'PERMUT' => [], 'PERMUTATIONA' => [],
        'POISSON' => [], 'POISSON.DIST' => [], 'T.DIST.2T' => [], 'T.DIST.RT' => [], 'T.INV.2T' => [], 'TDIST' => [], 'TINV' => [],
        'CUMIPMT' => [1, 3, 4], 'CUMPRINC' => [1, 3, 4], 'IPMT' => [1, 2], 'PPMT' => [1, 2], 'ISPMT' => [1, 2], 'DB' => [2, 3], 'DDB' => [2, 3],
        'DOLLAR' => [1], 'FIXED' => [1], 'USDOLLAR' => [1],
    ];

    /** How far these may count. */
    private const MOST_COUNT = 100_000;

    /** Bytes of text that a function may make, or be given to join. */
    private const MOST_TEXT = 1_048_576;

    /** @var array<string, callable> */
    private array $known = [];

    public function __construct()
    {
        foreach (Calculation::getFunctions() as $name => $function) {
            $call = $name === 'CONCATENATE' ? Calculation::getFunctions()['CONCAT']['functionCall'] : $function['functionCall'];
            if (! in_array($name, self::LEFT_OUT, true) && is_callable($call) && $call !== [Library::class, 'DUMMY'] && ! isset($function['passByReference']) && (! isset($function['passCellReference']) || $name === 'CONCATENATE')) {
                $this->known[$name] = $call;
            }
        }
    }

    public function has(string $name): bool
    {
        return isset($this->known[$name]);
    }

    /**
     * @param  list<mixed>  $arguments  scalars, or blocks of them by row number and letters of the column
     * @return mixed a scalar, an error as text, or a block
     */
    public function call(string $name, array $arguments): mixed
    {
        if (self::countsTooFar($name, $arguments)) {
            return '#NUM!';
        }
        if (self::writesTooMuch($name, $arguments)) {
            return '#VALUE!';
        }
        try {
            return ($this->known[$name])(...$arguments);
        } catch (\Throwable) {
            // The library's functions are not strict with what they are given; neither is a sheet.
            return '#VALUE!';
        }
    }

    /** @param list<mixed> $arguments */
    private static function countsTooFar(string $name, array $arguments): bool
    {
        $which = self::COUNTING[$name] ?? null;
        if ($which === null) {
            return false;
        }
        $far = false;
        $counted = $which === [] ? $arguments : array_intersect_key($arguments, array_flip($which));
        array_walk_recursive($counted, function (mixed $value) use (&$far): void {
            $far = $far || (is_numeric($value) && abs((float) $value) > self::MOST_COUNT);
        });

        return $far;
    }

    /** @param list<mixed> $arguments */
    private static function writesTooMuch(string $name, array $arguments): bool
    {
        $length = fn (mixed $value): int => is_scalar($value) ? strlen((string) $value) : 0;
        if ($name === 'REPT' || $name === 'SUBSTITUTE') {
            $times = Operators::single($arguments[$name === 'REPT' ? 1 : 2] ?? null);

            return $length(Operators::single($arguments[0] ?? null)) * max(1, $name === 'REPT' && is_numeric($times) ? (float) $times : $length($times)) > self::MOST_TEXT;
        }
        if (! in_array($name, ['CONCAT', 'CONCATENATE', 'TEXTJOIN', 'ARRAYTOTEXT'], true)) {
            return false;
        }
        $all = 0;
        array_walk_recursive($arguments, function (mixed $value) use (&$all, $length): void {
            $all += $length($value) + 32;
        });

        return $all > 8 * self::MOST_TEXT;
    }

    public static function givesDay(string $name, bool $ofDays): bool
    {
        return in_array($name, self::DAYS, true) || ($ofDays && in_array($name, self::LIKE_THEIR_VALUES, true));
    }

    /** @return list<string> the names of all that work */
    public function names(): array
    {
        $names = [...array_keys($this->known), 'ROW', 'COLUMN', 'SUBTOTAL', 'TODAY'];
        $names = array_values(array_unique($names));
        sort($names);

        return $names;
    }
}
