<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate;

use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Formulas\Reference;
use PhpOffice\PhpSpreadsheet\Shared\Date;

/** Works one formula out, from values that are there already: a machine with a stack over the library's tokens. */
final class Evaluation
{
    /** SUBTOTAL by its first number, with hidden rows (from 101) or without: there are none here. */
    private const SUBTOTALS = [1 => 'AVERAGE', 'COUNT', 'COUNTA', 'MAX', 'MIN', 'PRODUCT', 'STDEV', 'STDEVP', 'SUM', 'VAR', 'VARP'];

    /** What asks whether there is an error. */
    private const ASKING = ['IFERROR', 'ISERROR', 'ISERR', 'ERROR.TYPE'];

    /** Results of ranges that are kept for the next formula that asks. */
    private const RESULTS = 20_000;

    /** @var array<string, array{mixed, bool}> */
    private array $results = [];

    /** @var array<string, Template> */
    private array $templates = [];

    private readonly Functions $functions;

    /** @param string $today ISO 8601 */
    public function __construct(private readonly Sheets $sheets, private readonly string $today)
    {
        $this->functions = new Functions;
    }

    public function template(Node $node): Template
    {
        return $this->templates[$node->template] ??= Template::of($node->template);
    }

    /** @return string|int|float|bool|list<string|int|float|bool> as a cell keeps it */
    public function result(Node $node): string|int|float|bool|array
    {
        try {
            [$value, $isDay] = $this->run($node);
        } catch (TooMuch) {
            return ['!', '#LIMIT!'];
        }
        if (is_array($value) && OwnFunctions::size($value) > 1) {
            // A whole block is no value of one cell, and its first place would be a false one.
            return ['!', '#VALUE!'];
        }
        $value = Operators::single($value);

        return match (true) {
            $value === null => 0,
            Operators::isError($value) => ['!', (string) (is_scalar($value) ? $value : '')],
            is_float($value) && ! is_finite($value) => ['!', '#NUM!'],
            $isDay && (is_int($value) || is_float($value)) && $value >= 0 && $value < 2_958_466 => ['d', self::day($value)],
            // Fifteen digits are what a double surely holds, so that 0.1 + 0.2 is 0.3.
            is_int($value), is_float($value) => Cell::number(is_int($value) ? $value : (float) sprintf('%.15g', $value)),
            is_bool($value) => $value,
            is_scalar($value), $value instanceof \Stringable => mb_substr(mb_scrub((string) $value), 0, Cell::MOST),
            default => ['!', '#VALUE!'],
        };
    }

    /** @return array{mixed, bool} the value, and whether it is a day */
    private function run(Node $node): array
    {
        $tokens = $this->template($node)->tokens;
        if ($tokens === null) {
            return ['#ERROR!', false];
        }
        /** @var list<array{mixed, bool}> $stack */
        $stack = [];
        $count = 0;
        foreach ($tokens as ['type' => $type, 'value' => $value]) {
            if (str_starts_with($type, 'Operand Count')) {
                $count = is_int($value) ? $value : 0;

                continue;
            }
            $text = is_scalar($value) ? (string) $value : '';
            $next = match ($type) {
                'Value' => [is_string($value) && strlen($value) > 1 && $value[0] === '"' ? substr($value, 1, -1) : $value, false],
                'Constant', 'Empty Argument' => [$value, false],
                'Cell Reference' => [($node->references[(int) substr($text, 1) - 1] ?? null)?->from($node->row) ?? '#REF!', false],
                'Unary Operator' => [Operators::unary($text, $this->resolved(array_pop($stack))[0]), false],
                'Binary Operator' => $this->operated($text, array_pop($stack), array_pop($stack)),
                'Function' => $this->called(rtrim($text, '('), $count === 0 ? [] : array_splice($stack, -$count), $node),
                default => null,
            };
            if ($next === null) {
                return ['#NAME?', false];
            }
            $stack[] = $next;
        }

        return $this->resolved($stack[0] ?? [null, false]);
    }

    /**
     * @param  array{mixed, bool}|null  $right  a value, and whether it is a day
     * @param  array{mixed, bool}|null  $left
     * @return array{mixed, bool}
     */
    private function operated(string $sign, ?array $right, ?array $left): array
    {
        [$right, $rightDay] = $this->resolved($right);
        [$left, $leftDay] = $this->resolved($left);

        return [Operators::binary($sign, $left, $right), $sign === '+' ? $leftDay !== $rightDay : $sign === '-' && $leftDay && ! $rightDay];
    }

    /**
     * @param  list<array{mixed, bool}>  $arguments
     * @return array{mixed, bool}
     */
    private function called(string $name, array $arguments, Node $node): array
    {
        if ($name === 'ROW' || $name === 'COLUMN') {
            return [$this->placeOf($name, ($arguments[0] ?? [null])[0], $node), false];
        }
        if ($name === 'TODAY') {
            return [Sheets::number($this->today), true];
        }
        $known = $this->known($name, $arguments);
        if ($known !== null && isset($this->results[$known])) {
            $this->sheets->spend(1);

            return $this->results[$known];
        }
        $resolved = array_map(in_array($name, Functions::OF_NUMBERS, true) ? $this->asRange(...) : $this->resolved(...), $arguments);
        $result = $this->worked($name, array_column($resolved, 0), array_filter(array_column($resolved, 1)) !== []);
        if ($known !== null && ! is_array($result[0]) && count($this->results) < self::RESULTS) {
            $this->results[$known] = $result;
        }

        return $result;
    }

    /** In which row or column, from 1, something is, or the formula itself. */
    private function placeOf(string $name, mixed $of, Node $node): int|string
    {
        $rectangle = $this->sheets->rectangle(
            $of instanceof Reference ? $of : new Reference($node->row, $node->column, $node->row, $node->column, false),
        );

        return $rectangle === null ? '#REF!' : 1 + $rectangle[$name === 'ROW' ? 1 : 3];
    }

    /**
     * @param  list<mixed>  $values
     * @param  bool  $days  whether one of them is a day
     * @return array{mixed, bool}
     */
    private function worked(string $name, array $values, bool $days): array
    {
        if ($name === 'SUBTOTAL') {
            $which = Operators::single(array_shift($values));
            $name = self::SUBTOTALS[is_numeric($which) ? (int) $which % 100 : 0] ?? '';
            if ($name === '') {
                return ['#VALUE!', false];
            }
        }
        if ($name === 'MKMATRIX') {
            // Rows are made of single values, the whole of rows.
            return [
                $values !== [] && is_array($values[0])
                    ? array_map(fn (mixed $row): mixed => is_array($row) && is_array($row[0] ?? null) ? $row[0] : $row, $values)
                    : [$values],
                false,
            ];
        }
        if (! $this->functions->has($name)) {
            return ['#NAME?', false];
        }
        if (in_array($name, self::ASKING, true)) {
            // The library knows no errors but its own.
            array_walk_recursive($values, function (mixed &$value): void {
                $value = in_array($value, ['#CIRCLE!', '#LIMIT!', '#ERROR!'], true) ? '#VALUE!' : $value;
            });
        }
        $this->sheets->spend(Functions::steps($name, $values));

        return [$this->functions->call($name, $values), Functions::givesDay($name, $days)];
    }

    /**
     * What tells calls apart that read a range, so that each is worked out once for all who ask for it.
     *
     * @param  list<array{mixed, bool}>  $arguments
     * @return string|null null when no range is read, or when it is not told by ranges and plain values
     */
    private function known(string $name, array $arguments): ?string
    {
        $key = $name;
        $reads = false;
        foreach ($arguments as [$value, $isDay]) {
            if ($value instanceof Reference) {
                $rectangle = $this->sheets->rectangle($value);
                if ($rectangle === null) {
                    return null;
                }
                $reads = $reads || ! $value->isCell();
                $key .= '|'.$this->sheets->state($rectangle);
            } elseif (is_array($value) || is_object($value)) {
                return null;
            } else {
                $key .= '|'.get_debug_type($value).':'.(is_scalar($value) ? $value : '').($isDay ? ' day' : '');
            }
        }

        return $reads ? $key : null;
    }

    /**
     * @param  array{mixed, bool}|null  $operand
     * @return array{mixed, bool}
     */
    private function resolved(?array $operand): array
    {
        $reference = $operand[0] ?? null;
        if (! $reference instanceof Reference) {
            return $operand ?? [null, false];
        }
        if ($reference->isCell() && $reference->row !== null && $reference->column !== null) {
            return $this->sheets->rectangle($reference) === null
                ? ['#REF!', false]
                : [$this->sheets->value($reference->row, $reference->column), $this->sheets->isDay($reference->row, $reference->column)];
        }
        $rectangle = $this->sheets->rectangle($reference);

        return $rectangle === null ? ['#REF!', false] : $this->sheets->block($rectangle);
    }

    /**
     * A single place is a range of one, too: what is no number there does not count.
     *
     * @param  array{mixed, bool}  $operand
     * @return array{mixed, bool}
     */
    private function asRange(array $operand): array
    {
        [$value, $isDay] = $this->resolved($operand);

        return $operand[0] instanceof Reference && ! is_array($value) ? [[1 => ['A' => $value]], $isDay] : [$value, $isDay];
    }

    private static function day(int|float $number): string
    {
        return Date::excelToDateTimeObject($number)->format(fmod((float) $number, 1.0) === 0.0 ? 'Y-m-d' : 'Y-m-d\TH:i:s');
    }
}
