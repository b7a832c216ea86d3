<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate\Data;

use Closure;
use Symfony\Component\ExpressionLanguage\Node\BinaryNode;
use Symfony\Component\ExpressionLanguage\Node\ConditionalNode;
use Symfony\Component\ExpressionLanguage\Node\ConstantNode;
use Symfony\Component\ExpressionLanguage\Node\FunctionNode;
use Symfony\Component\ExpressionLanguage\Node\NameNode;
use Symfony\Component\ExpressionLanguage\Node\Node;
use Symfony\Component\ExpressionLanguage\Node\UnaryNode;

/** Runs a checked expression over whole columns: each of its parts once, whatever the number of records. */
final class ExpressionValues
{
    /** Bytes of the texts of a column. */
    private const MOST_BYTES = 50_000_000;

    /** @param array<string, list<bool|float|int|string|null>> $columns name in the tree => values */
    public function __construct(private readonly array $columns, private readonly int $count) {}

    /** @return list<bool|float|int|string|null> */
    public function of(Node $node): array
    {
        return match ($node::class) {
            ConstantNode::class => $this->count === 0 ? [] : array_fill(0, $this->count, $node->attributes['value']),
            NameNode::class => $this->columns[(string) $node->attributes['name']],
            UnaryNode::class => $this->unary((string) $node->attributes['operator'], $this->of($node->nodes['node'])),
            BinaryNode::class => self::bounded(
                self::binary((string) $node->attributes['operator'], $this->of($node->nodes['left']), $this->of($node->nodes['right'])),
            ),
            ConditionalNode::class => $this->called('if', [
                $this->of($node->nodes['expr1']),
                $this->of($node->nodes['expr2']),
                $this->of($node->nodes['expr3']),
            ]),
            FunctionNode::class => $this->called(
                (string) $node->attributes['name'],
                array_values(array_map($this->of(...), $node->nodes['arguments']->nodes)),
            ),
            default => array_fill(0, $this->count, null),
        };
    }

    /**
     * What a column of texts takes more of than can be held is nothing.
     *
     * @param  list<bool|float|int|string|null>  $values
     * @return list<bool|float|int|string|null>
     */
    private static function bounded(array $values): array
    {
        $bytes = 0;
        foreach ($values as $at => $value) {
            $bytes += is_string($value) ? strlen($value) : 0;
            if ($bytes > self::MOST_BYTES) {
                $values[$at] = is_string($value) ? null : $value;
            }
        }

        return $values;
    }

    /**
     * @param  list<bool|float|int|string|null>  $values
     * @return list<bool|float|int|string|null>
     */
    private function unary(string $operator, array $values): array
    {
        return array_map(match ($operator) {
            '-' => fn (bool|float|int|string|null $value) => is_int($value) || is_float($value) ? -$value : null,
            '+' => fn (bool|float|int|string|null $value) => $value,
            default => fn (bool|float|int|string|null $value) => $value !== true,
        }, $values);
    }

    /**
     * @param  list<list<bool|float|int|string|null>>  $arguments
     * @return list<bool|float|int|string|null>
     */
    private function called(string $name, array $arguments): array
    {
        $values = [];
        $bytes = 0;
        for ($at = 0; $at < $this->count; $at++) {
            $given = [];
            foreach ($arguments as $argument) {
                $given[] = $argument[$at];
            }
            $value = $bytes > self::MOST_BYTES ? null : self::finite(ExpressionFunctions::call($name, $given));
            $bytes += is_string($value) && ! in_array($value, $given, true) ? strlen($value) : 0;
            $values[] = $value;
        }

        return $values;
    }

    /**
     * @param  list<bool|float|int|string|null>  $left
     * @param  list<bool|float|int|string|null>  $right
     * @return list<bool|float|int|string|null>
     */
    private static function binary(string $operator, array $left, array $right): array
    {
        return array_map(
            match ($operator) {
                '+', '-', '*', '/', '%', '**' => self::arithmetic($operator),
                '~', 'contains', 'starts with', 'ends with' => self::ofTexts($operator),
                default => self::truth($operator),
            },
            $left,
            $right,
        );
    }

    /** @return Closure(bool|float|int|string|null, bool|float|int|string|null): (bool|float|int|string|null) null where there is no such number */
    private static function arithmetic(string $operator): Closure
    {
        $of = match ($operator) {
            '+' => fn (float|int $a, float|int $b): float|int => $a + $b,
            '-' => fn (float|int $a, float|int $b): float|int => $a - $b,
            '*' => fn (float|int $a, float|int $b): float|int => $a * $b,
            '/' => fn (float|int $a, float|int $b): float|int|null => $b == 0 ? null : $a / $b,
            '%' => fn (float|int $a, float|int $b): ?float => $b == 0 ? null : fmod((float) $a, (float) $b) + 0,
            default => fn (float|int $a, float|int $b): ?float => $a == 0 && $b < 0 ? null : (float) $a ** (float) $b,
        };

        return fn (bool|float|int|string|null $a, bool|float|int|string|null $b): bool|float|int|string|null
            => self::areNumbers($a, $b) ? self::finite($of($a, $b)) : null;
    }

    /** @return Closure(bool|float|int|string|null, bool|float|int|string|null): (bool|string) */
    private static function ofTexts(string $operator): Closure
    {
        $holds = match ($operator) {
            'contains' => str_contains(...),
            'starts with' => str_starts_with(...),
            default => str_ends_with(...),
        };

        return $operator === '~'
            ? fn (bool|float|int|string|null $a, bool|float|int|string|null $b): string => mb_strcut((string) $a.(string) $b, 0, 32_767)
            : fn (bool|float|int|string|null $a, bool|float|int|string|null $b): bool
                => $holds(mb_strtolower((string) $a), mb_strtolower((string) $b));
    }

    /** @return Closure(bool|float|int|string|null, bool|float|int|string|null): bool nothing is before or behind what is not there */
    private static function truth(string $operator): Closure
    {
        $ordered = match ($operator) {
            '<' => fn (int $order): bool => $order < 0,
            '>' => fn (int $order): bool => $order > 0,
            '<=' => fn (int $order): bool => $order <= 0,
            default => fn (int $order): bool => $order >= 0,
        };

        return match ($operator) {
            'and', '&&' => fn (bool|float|int|string|null $a, bool|float|int|string|null $b): bool => $a === true && $b === true,
            'or', '||' => fn (bool|float|int|string|null $a, bool|float|int|string|null $b): bool => $a === true || $b === true,
            '==' => self::same(...),
            '!=' => fn (bool|float|int|string|null $a, bool|float|int|string|null $b): bool => ! self::same($a, $b),
            default => fn (bool|float|int|string|null $a, bool|float|int|string|null $b): bool
                => $a !== null && $b !== null && $ordered(self::order($a, $b)),
        };
    }

    /**
     * @phpstan-assert-if-true int|float $a
     * @phpstan-assert-if-true int|float $b
     */
    private static function areNumbers(bool|float|int|string|null $a, bool|float|int|string|null $b): bool
    {
        return (is_int($a) || is_float($a)) && (is_int($b) || is_float($b));
    }

    /** Texts are compared as texts, also when they look like numbers, and without regard to case, as they are found. */
    private static function order(bool|float|int|string|null $a, bool|float|int|string|null $b): int
    {
        return is_string($a) && is_string($b) ? strcmp(mb_strtolower($a), mb_strtolower($b)) : $a <=> $b;
    }

    private static function same(bool|float|int|string|null $a, bool|float|int|string|null $b): bool
    {
        return match (true) {
            is_string($a) && is_string($b) => $a === $b || mb_strtolower($a) === mb_strtolower($b),
            is_string($a), is_string($b), $a === null, $b === null => $a === $b,
            default => $a == $b,
        };
    }

    /** A number without an end is nothing; one without a fraction is whole; a double is sure of fifteen digits. */
    private static function finite(bool|float|int|string|null $value): bool|float|int|string|null
    {
        if (! is_float($value)) {
            return $value;
        }
        $value = (float) sprintf('%.15g', $value);

        return is_finite($value) ? ($value === floor($value) && abs($value) < 2 ** 53 ? (int) $value : $value) : null;
    }
}
