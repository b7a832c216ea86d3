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
        try {
            return ($this->known[$name])(...$arguments);
        } catch (\Throwable) {
            // The library's functions are not strict with what they are given; neither is a sheet.
            return '#VALUE!';
        }
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
