<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate\Data;

use MistyAttic\Core\Content\Problem;
use Symfony\Component\ExpressionLanguage\Node\BinaryNode;
use Symfony\Component\ExpressionLanguage\Node\ConditionalNode;
use Symfony\Component\ExpressionLanguage\Node\ConstantNode;
use Symfony\Component\ExpressionLanguage\Node\FunctionNode;
use Symfony\Component\ExpressionLanguage\Node\NameNode;
use Symfony\Component\ExpressionLanguage\Node\Node;
use Symfony\Component\ExpressionLanguage\Node\UnaryNode;

/** Finds out what an expression gives, and lets through only what it may do. */
final class ExpressionTypes
{
    private const NUMBERS = ['+', '-', '*', '/', '%', '**'];

    private const FINDING = ['contains', 'starts with', 'ends with'];

    private const COMPARING = ['==', '!=', '<', '>', '<=', '>='];

    /** @var list<Problem> */
    public array $problems = [];

    /** @param array<string, string> $types name in the tree => type */
    public function __construct(private readonly array $types, private int $most) {}

    public function of(Node $node): string
    {
        if (--$this->most < 0) {
            return $this->wrong($node, 'not_allowed', 'text');
        }

        // Only these very classes: what is made from them may do more.
        return match ($node::class) {
            ConstantNode::class => $this->constant($node),
            NameNode::class => $this->types[(string) $node->attributes['name']] ?? 'text',
            UnaryNode::class => $this->unary($node),
            BinaryNode::class => $this->binary($node),
            ConditionalNode::class => $this->branches($node, [$node->nodes['expr1'], $node->nodes['expr2'], $node->nodes['expr3']]),
            FunctionNode::class => $this->called($node),
            default => $this->wrong($node, 'not_allowed', 'text'),
        };
    }

    private function constant(ConstantNode $node): string
    {
        $value = $node->attributes['value'];

        return match (true) {
            is_int($value), is_float($value) => 'number',
            is_bool($value) => 'boolean',
            is_string($value) => 'text',
            $value === null => 'nothing',
            default => $this->wrong($node, 'not_allowed', 'text'),
        };
    }

    private function unary(UnaryNode $node): string
    {
        $needed = in_array($node->attributes['operator'], ['-', '+'], true)
            ? 'number'
            : (in_array($node->attributes['operator'], ['not', '!'], true)
                ? 'boolean'
                : null);
        $given = $this->of($node->nodes['node']);
        if ($needed === null) {
            return $this->wrong($node, 'not_allowed', 'text');
        }

        return $this->fits($given, $needed) ? $needed : $this->wrong($node, 'types', $needed, ['needed' => $needed, 'given' => $given]);
    }

    private function binary(BinaryNode $node): string
    {
        $operator = $node->attributes['operator'];
        [$left, $right] = [$this->of($node->nodes['left']), $this->of($node->nodes['right'])];
        if (in_array($operator, self::NUMBERS, true)) {
            return $this->both($node, $left, $right, 'number', 'number');
        }
        if (in_array($operator, ['and', 'or', '&&', '||'], true)) {
            return $this->both($node, $left, $right, 'boolean', 'boolean');
        }
        if (in_array($operator, self::FINDING, true)) {
            return $this->both($node, $left, $right, 'text', 'boolean');
        }
        if ($operator === '~') {
            return $this->both($node, $left, $right, 'text', 'text');
        }
        if (! in_array($operator, self::COMPARING, true)) {
            return $this->wrong($node, 'not_allowed', 'boolean');
        }
        // A date may be compared with one that is written out.
        $alike = $this->fits($left, $right) || [$left, $right] === ['date', 'text'] || [$left, $right] === ['text', 'date'];

        return $alike ? 'boolean' : $this->wrong($node, 'types', 'boolean', ['needed' => $left, 'given' => $right]);
    }

    private function both(Node $node, string $left, string $right, string $needed, string $gives): string
    {
        foreach ([$left, $right] as $given) {
            if (! $this->fits($given, $needed)) {
                return $this->wrong($node, 'types', $gives, ['needed' => $needed, 'given' => $given]);
            }
        }

        return $gives;
    }

    /** @param array{Node, Node, Node} $of */
    private function branches(Node $node, array $of): string
    {
        [$condition, $then, $else] = array_map($this->of(...), $of);
        if (! $this->fits($condition, 'boolean')) {
            return $this->wrong($node, 'types', $then, ['needed' => 'boolean', 'given' => $condition]);
        }
        if (! $this->fits($then, $else)) {
            return $this->wrong($node, 'types', $then, ['needed' => $then, 'given' => $else]);
        }

        return $then === 'nothing' ? $else : $then;
    }

    private function called(FunctionNode $node): string
    {
        $signature = ExpressionFunctions::SIGNATURES[(string) $node->attributes['name']] ?? null;
        if ($signature === null) {
            return $this->wrong($node, 'no_function', 'text', ['name' => (string) $node->attributes['name']]);
        }
        [$wanted, $gives] = $signature;
        $given = array_values(array_map($this->of(...), $node->nodes['arguments']->nodes));
        $last = 'nothing';
        foreach ($wanted as $at => $type) {
            $again = str_ends_with($type, '*');
            $type = rtrim($type, '?*');
            if (! isset($given[$at])) {
                if ($wanted[$at] === $type) {
                    return $this->wrong($node, 'arguments', $gives === 'same' ? 'text' : $gives, ['count' => count($given)]);
                }

                continue;
            }
            foreach ($again ? array_slice($given, $at) : [$given[$at]] as $one) {
                $needed = $type === 'same' ? $last : $type;
                if ($needed !== 'any' && ! $this->fits($one, $needed)) {
                    return $this->wrong($node, 'types', $gives === 'same' ? $needed : $gives, ['needed' => $needed, 'given' => $one]);
                }
                $last = $type === 'same' && $one === 'nothing' ? $last : $one;
            }
        }
        if (count($given) > count($wanted) && ! str_ends_with($wanted[count($wanted) - 1], '*')) {
            return $this->wrong($node, 'arguments', $gives === 'same' ? 'text' : $gives, ['count' => count($given)]);
        }

        return $gives === 'same' ? $last : $gives;
    }

    private function fits(string $given, string $needed): bool
    {
        return $given === $needed || $given === 'nothing' || $needed === 'nothing';
    }

    /** @param array<string, string|int> $values */
    private function wrong(Node $node, string $code, string $type, array $values = []): string
    {
        try {
            $place = mb_substr($node->dump(), 0, 80);
        } catch (\Throwable) {
            $place = '';
        }
        $this->problems[] = new Problem($code, '', ['place' => $place, ...$values]);

        return $type;
    }
}
