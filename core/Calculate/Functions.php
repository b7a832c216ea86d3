<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate;

use PhpOffice\PhpSpreadsheet\Calculation\Calculation;
use PhpOffice\PhpSpreadsheet\Calculation\Functions as Library;

/**
 * The functions of PhpSpreadsheet that formulas may call: those that take values and give one. Left out are all that look at places instead
 * of values, that go to the network or the machine, whose result is by chance, or that make blocks of any size. A block is for other
 * functions to work on: alone it is no value of a cell.
 */
final class Functions
{
    private const LEFT_OUT = [
        // by places; ROW, COLUMN and SUBTOTAL are ours, see Evaluation
        'ADDRESS',
        'AREAS',
        'CELL',
        'FORMULATEXT',
        'GETPIVOTDATA',
        'INDIRECT',
        'INFO',
        'ISFORMULA',
        'ISREF',
        'OFFSET',
        'SHEET',
        'SHEETS',
        'RTD',
        // elsewhere
        'HYPERLINK', 'WEBSERVICE', 'FILTERXML', 'ENCODEURL',
        // by chance or by the clock
        'NOW', 'RAND', 'RANDARRAY', 'RANDBETWEEN',
        // by their size alone, and the library's own
        'ANCHORARRAY', 'CHOOSECOLS', 'CHOOSEROWS', 'DROP', 'EXPAND', 'GROWTH', 'HSTACK', 'LET', 'LINEST', 'LOGEST', 'MKMATRIX', 'MUNIT',
        'NAME.ERROR', 'SEQUENCE', 'SINGLE', 'SORTBY', 'TAKE', 'TEXTSPLIT', 'TOCOL', 'TOROW', 'TREND', 'VSTACK', 'WRAPCOLS', 'WRAPROWS',
    ];

    /** Answers with a day. */
    private const DAYS = ['DATE', 'DATEVALUE', 'EDATE', 'EOMONTH', 'TODAY', 'WORKDAY', 'WORKDAY.INTL'];

    /** Answers with a day when it is asked about days. */
    private const LIKE_THEIR_VALUES = [
        'MIN',
        'MAX',
        'IF',
        'IFS',
        'IFERROR',
        'IFNA',
        'INDEX',
        'VLOOKUP',
        'HLOOKUP',
        'XLOOKUP',
        'LOOKUP',
        'CHOOSE',
        'SWITCH',
        'LARGE',
        'SMALL',
        'MEDIAN',
        'MINIFS',
        'MAXIFS',
    ];

    /**
     * Works as long as some of what it is given is large: which of its arguments, or all of them. Found by giving every
     * function numbers of 2 million and more.
     */
    private const COUNTING = [
        'BINOM.DIST' => [],
        'BINOM.DIST.RANGE' => [],
        'BINOM.INV' => [],
        'BINOMDIST' => [],
        'CRITBINOM' => [],
        'NEGBINOMDIST' => [],
        'BESSELI' => [],
        'BESSELJ' => [],
        'BESSELK' => [],
        'BESSELY' => [],
        'CHIDIST' => [],
        'CHIINV' => [],
        'CHISQ.DIST' => [],
        'CHISQ.DIST.RT' => [],
        'CHISQ.INV' => [],
        'CHISQ.INV.RT' => [],
        'COMBIN' => [],
        'COMBINA' => [],
        'FACT' => [],
        'FACTDOUBLE' => [],
        'GAMMA.INV' => [],
        'GAMMAINV' => [],
        'HYPGEOMDIST' => [],
        'MULTINOMIAL' => [],
        'PERMUT' => [],
        'PERMUTATIONA' => [],
        'POISSON' => [],
        'POISSON.DIST' => [],
        'T.DIST.2T' => [],
        'T.DIST.RT' => [],
        'T.INV.2T' => [],
        'TDIST' => [],
        'TINV' => [],
        'CUMIPMT' => [1, 3, 4],
        'CUMPRINC' => [1, 3, 4],
        'IPMT' => [1, 2],
        'PPMT' => [1, 2],
        'ISPMT' => [1, 2],
        'DB' => [2, 3],
        'DDB' => [2, 3],
        'DOLLAR' => [1],
        'FIXED' => [1],
        'USDOLLAR' => [1],
    ];

    /** How far these may count; some add up a sum for each term of a sum. */
    private const MOST_COUNT = 5_000;

    private const LESS_COUNT = [
        'BINOM.INV' => 60,
        'CRITBINOM' => 60,
        'BINOM.DIST' => 1_000,
        'BINOM.DIST.RANGE' => 1_000,
        'BINOMDIST' => 1_000,
        'NEGBINOMDIST' => 1_000,
        'POISSON' => 1_000,
        'POISSON.DIST' => 1_000,
    ];

    /** Take the numbers of a range, and nothing else of it. */
    public const OF_NUMBERS = [
        'SUM',
        'PRODUCT',
        'SUMSQ',
        'AVERAGE',
        'MIN',
        'MAX',
        'COUNT',
        'MEDIAN',
        'MODE',
        'MODE.SNGL',
        'STDEV',
        'STDEV.S',
        'STDEVP',
        'STDEV.P',
        'VAR',
        'VAR.S',
        'VARP',
        'VAR.P',
        'LARGE',
        'SMALL',
        'GEOMEAN',
        'HARMEAN',
        'AVEDEV',
        'DEVSQ',
        'KURT',
        'SKEW',
        'PERCENTILE',
        'PERCENTILE.INC',
        'QUARTILE',
        'QUARTILE.INC',
        'TRIMMEAN',
        'GCD',
        'LCM',
        'NPV',
        'IRR',
    ];

    /** Take a block in one step a cell. All others make lists of it, in the library, whose cost grows with the square. */
    private const PLAIN = [
        'SUM',
        'AVERAGE',
        'COUNT',
        'COUNTA',
        'AND',
        'OR',
        'INDEX',
        'ROWS',
        'COLUMNS',
        'IF',
        'IFERROR',
        'IFNA',
        'CHOOSE',
        'MIN',
        'MAX',
    ];

    /** Take several blocks, each as a list. */
    private const READING_LISTS = [
        'PRODUCT',
        'MEDIAN',
        'STDEV',
        'STDEV.S',
        'STDEV.P',
        'STDEVP',
        'STDEVA',
        'STDEVPA',
        'VAR',
        'VAR.S',
        'VAR.P',
        'VARP',
        'VARA',
        'VARPA',
        'SUMSQ',
        'GCD',
        'LCM',
        'CONCAT',
        'CONCATENATE',
        'TEXTJOIN',
        'MINA',
        'MAXA',
        'AVERAGEA',
        'COUNTBLANK',
        'VLOOKUP',
        'HLOOKUP',
        'XLOOKUP',
        'LOOKUP',
        'MATCH',
        'XMATCH',
        'NPV',
        'XNPV',
        'AVEDEV',
        'DEVSQ',
        'GEOMEAN',
        'HARMEAN',
        'KURT',
        'SKEW',
        'XOR',
        'MULTINOMIAL',
    ];

    /** Look at each cell with a formula of their own. */
    private const ASKING_EACH = [
        'COUNTIF',
        'COUNTIFS',
        'SUMIF',
        'SUMIFS',
        'AVERAGEIF',
        'AVERAGEIFS',
        'MAXIFS',
        'MINIFS',
        'MODE',
        'MODE.SNGL',
        'IRR',
        'XIRR',
    ];

    /** Rows of a block that the library is given at once, where the results of pieces can be put together. */
    private const PIECE = 200;

    /** Bytes of text that a function may make, or be given to join. */
    private const MOST_TEXT = 1_048_576;

    /** @var array<string, callable> */
    private array $known = [];

    public function __construct()
    {
        foreach (Calculation::getFunctions() as $name => $function) {
            $call = $name === 'CONCATENATE' ? Calculation::getFunctions()['CONCAT']['functionCall'] : $function['functionCall'];
            if (
                ! in_array($name, self::LEFT_OUT, true)
                && is_callable($call)
                && $call !== [Library::class, 'DUMMY']
                && ! isset($function['passByReference'])
                && (! isset($function['passCellReference']) || $name === 'CONCATENATE')
            ) {
                $this->known[$name] = $call;
            }
        }
    }

    public function has(string $name): bool
    {
        return isset($this->known[$name]) || in_array($name, OwnFunctions::NAMES, true);
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
            $arguments = in_array($name, self::OF_NUMBERS, true) ? self::numbers($arguments) : $arguments;
            $own = OwnFunctions::call($name, $arguments);
            if ($own !== null) {
                return $own[0];
            }
            $arguments = in_array($name, ['MIN', 'MAX'], true)
                ? $this->pieces($name, $arguments)
                : OwnFunctions::withoutWildcards($name, $arguments);

            // Called so, a number is taken for the text that a parameter wants, as the criteria of COUNTIF do.
            return call_user_func_array($this->known[$name], $arguments);
        } catch (\Throwable) {
            // The library's functions are not strict with what they are given; neither is a sheet.
            return '#VALUE!';
        }
    }

    /**
     * What a call costs, in steps of about a microsecond; found by measuring each with blocks of 200 to 8,000 cells. Blocks of
     * different shapes are spread over each other by most functions, so that their sizes multiply.
     *
     * @param  list<mixed>  $arguments
     */
    public static function steps(string $name, array $arguments): int
    {
        $shapes = [];
        foreach ($arguments as $argument) {
            $rows = is_array($argument) ? count($argument) : 0;
            $columns = $rows === 0 ? 0 : (is_array($first = reset($argument)) ? count($first) : 1);
            if ($rows * $columns > 1) {
                $shapes["{$rows} {$columns}"] = ($shapes["{$rows} {$columns}"] ?? 0) + $rows * $columns;
            }
        }
        $all = array_sum($shapes);

        return (int) min(PHP_INT_MAX / 4, match (true) {
            $shapes === [] => isset(self::COUNTING[$name]) ? 2_000 : 5,
            in_array($name, self::PLAIN, true) => $all,
            in_array($name, self::ASKING_EACH, true) => 90 * $all,
            isset(self::COUNTING[$name]) => 2_000 * $all,
            count($shapes) > 1 && ! in_array($name, self::READING_LISTS, true) => 20 * array_product($shapes),
            default => $all * (5 + intdiv((int) $all, 110)),
        });
    }

    /**
     * @param  list<mixed>  $arguments
     * @return list<mixed> with a block that is long as the results of its pieces, and errors as they are
     */
    private function pieces(string $name, array $arguments): array
    {
        return array_map(function (mixed $argument) use ($name): mixed {
            if (! is_array($argument) || count($argument) <= self::PIECE) {
                return $argument;
            }
            $results = [];
            foreach (array_chunk($argument, self::PIECE, true) as $piece) {
                // A piece without a number gives 0, which is no number of it.
                $numbers = false;
                array_walk_recursive($piece, function (mixed $value) use (&$numbers): void {
                    $numbers = $numbers || is_int($value) || is_float($value) || (is_string($value) && str_starts_with($value, '#'));
                });
                if ($numbers) {
                    $results[] = ['A' => ($this->known[$name])($piece)];
                }
            }

            return $results === [] ? null : $results;
        }, $arguments);
    }

    /**
     * Of a range, only numbers are numbers (ODF 1.3, part 4, 4.11.3); alone, TRUE and FALSE and texts that read as numbers are, too.
     *
     * @param  list<mixed>  $arguments
     * @return list<mixed>
     */
    private static function numbers(array $arguments): array
    {
        foreach ($arguments as $at => $argument) {
            if (! is_array($argument)) {
                continue;
            }
            foreach ($argument as $row => $cells) {
                $numbers = is_array($cells) ? $cells : [];
                foreach ($numbers as $column => $value) {
                    if (is_bool($value) || (is_string($value) && ! Operators::isError($value))) {
                        $numbers[$column] = null;
                    }
                }
                $argument[$row] = is_array($cells) ? $numbers : $cells;
            }
            $arguments[$at] = $argument;
        }

        return $arguments;
    }

    /** @param list<mixed> $arguments */
    private static function countsTooFar(string $name, array $arguments): bool
    {
        $which = self::COUNTING[$name] ?? null;
        if ($which === null) {
            return false;
        }
        $far = false;
        $most = self::LESS_COUNT[$name] ?? self::MOST_COUNT;
        $counted = $which === [] ? $arguments : array_intersect_key($arguments, array_flip($which));
        array_walk_recursive($counted, function (mixed $value) use (&$far, $most): void {
            $far = $far || (is_numeric($value) && abs((float) $value) > $most);
        });

        return $far;
    }

    /** @param list<mixed> $arguments */
    private static function writesTooMuch(string $name, array $arguments): bool
    {
        $length = fn (mixed $value): int => is_scalar($value) ? strlen((string) $value) : 0;
        if ($name === 'REPT' || $name === 'SUBSTITUTE') {
            $times = Operators::single($arguments[$name === 'REPT' ? 1 : 2] ?? null);

            return $length(Operators::single($arguments[0] ?? null))
                * max(1, $name === 'REPT' && is_numeric($times) ? (float) $times : $length($times))
                > self::MOST_TEXT;
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
        $names = [...array_keys($this->known), ...OwnFunctions::NAMES, 'ROW', 'COLUMN', 'SUBTOTAL', 'TODAY'];
        $names = array_values(array_unique($names));
        sort($names);

        return $names;
    }
}
