<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate\Data;

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

    /** @param array<string, list<mixed>> $columns name in the tree => values */
    public function __construct(private readonly array $columns, private readonly int $count) {}

    /** @return list<mixed> */
    public function of(Node $node): array
    {
        return match ($node::class) {
            ConstantNode::class => $this->count === 0 ? [] : array_fill(0, $this->count, $node->attributes['value']),
            NameNode::class => $this->columns[(string) $node->attributes['name']],
            UnaryNode::class => $this->unary((string) $node->attributes['operator'], $this->of($node->nodes['node'])),
            BinaryNode::class => self::bounded(self::binary((string) $node->attributes['operator'], $this->of($node->nodes['left']), $this->of($node->nodes['right']))),
            ConditionalNode::class => $this->called('if', [$this->of($node->nodes['expr1']), $this->of($node->nodes['expr2']), $this->of($node->nodes['expr3'])]),
            FunctionNode::class => $this->called((string) $node->attributes['name'], array_values(array_map($this->of(...), $node->nodes['arguments']->nodes))),
            default => array_fill(0, $this->count, null),
        };
    }

    /**
     * What a column of texts takes more of than can be held is nothing.
     *
     * @param  list<mixed>  $values
     * @return list<mixed>
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
     * @param  list<mixed>  $values
     * @return list<mixed>
     */
    private function unary(string $operator, array $values): array
    {
        return array_map(match ($operator) {
            '-' => fn (mixed $value) => $value === null ? null : -$value,
            '+' => fn (mixed $value) => $value,
            default => fn (mixed $value) => $value !== true,
        }, $values);
    }

    /**
     * @param  list<list<mixed>>  $arguments
     * @return list<mixed>
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
     * @param  list<mixed>  $left
     * @param  list<mixed>  $right
     * @return list<mixed>
     */
    private static function binary(string $operator, array $left, array $right): array
    {
        return array_map(match ($operator) {
            '+' => fn (mixed $a, mixed $b) => $a === null || $b === null ? null : self::finite($a + $b),
            '-' => fn (mixed $a, mixed $b) => $a === null || $b === null ? null : self::finite($a - $b),
            '*' => fn (mixed $a, mixed $b) => $a === null || $b === null ? null : self::finite($a * $b),
            '/' => fn (mixed $a, mixed $b) => $a === null || $b === null || $b == 0 ? null : self::finite($a / $b),
            '%' => fn (mixed $a, mixed $b) => $a === null || $b === null || $b == 0 ? null : self::finite(fmod((float) $a, (float) $b) + 0),
            '**' => fn (mixed $a, mixed $b) => $a === null || $b === null || ($a == 0 && $b < 0) ? null : self::finite((float) $a ** (float) $b),
            '~' => fn (mixed $a, mixed $b) => mb_strcut((string) $a.(string) $b, 0, 32_767),
            'and', '&&' => fn (mixed $a, mixed $b) => $a === true && $b === true,
            'or', '||' => fn (mixed $a, mixed $b) => $a === true || $b === true,
            'contains' => fn (mixed $a, mixed $b) => str_contains(mb_strtolower((string) $a), mb_strtolower((string) $b)),
            'starts with' => fn (mixed $a, mixed $b) => str_starts_with(mb_strtolower((string) $a), mb_strtolower((string) $b)),
            'ends with' => fn (mixed $a, mixed $b) => str_ends_with(mb_strtolower((string) $a), mb_strtolower((string) $b)),
            '==' => fn (mixed $a, mixed $b) => self::same($a, $b),
            '!=' => fn (mixed $a, mixed $b) => ! self::same($a, $b),
            '<' => fn (mixed $a, mixed $b) => $a !== null && $b !== null && self::order($a, $b) < 0,
            '>' => fn (mixed $a, mixed $b) => $a !== null && $b !== null && self::order($a, $b) > 0,
            '<=' => fn (mixed $a, mixed $b) => $a !== null && $b !== null && self::order($a, $b) <= 0,
            default => fn (mixed $a, mixed $b) => $a !== null && $b !== null && self::order($a, $b) >= 0,
        }, $left, $right);
    }

    /** Texts are compared as texts, also when they look like numbers, and without regard to case, as they are found. */
    private static function order(mixed $a, mixed $b): int
    {
        return is_string($a) && is_string($b) ? strcmp(mb_strtolower($a), mb_strtolower($b)) : $a <=> $b;
    }

    private static function same(mixed $a, mixed $b): bool
    {
        return match (true) {
            is_string($a) && is_string($b) => $a === $b || mb_strtolower($a) === mb_strtolower($b),
            is_string($a), is_string($b), $a === null, $b === null => $a === $b,
            default => $a == $b,
        };
    }

    /** A number without an end is nothing; one without a fraction is whole; a double is sure of fifteen digits. */
    private static function finite(mixed $value): mixed
    {
        if (! is_float($value)) {
            return $value;
        }
        $value = (float) sprintf('%.15g', $value);

        return is_finite($value) ? ($value === floor($value) && abs($value) < 2 ** 53 ? (int) $value : $value) : null;
    }
}
