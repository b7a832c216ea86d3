<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate\Data;

use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Kinds\Dataset\FieldNames;
use Symfony\Component\ExpressionLanguage\ExpressionLanguage;
use Symfony\Component\ExpressionLanguage\Node\Node;
use Symfony\Component\ExpressionLanguage\SyntaxError;

/**
 * An expression of a calculated field, such as `[Minutes] / 60` or `if([Mended], [Paid], 0)`: fields in brackets, arithmetic, comparisons,
 * `contains`, `starts with` and `ends with`, all without regard to case, `and or not`, `~` for texts put together, `a ? b : c`, and the
 * functions of {@see ExpressionFunctions}. It is read by symfony/expression-language and checked here: nothing but these is let through,
 * and every type is known before it runs.
 *
 * Types are number, text, date and boolean; money counts as a number, a choice as a text. Every value may be nothing.
 */
final class Expression
{
    /** Parts that an expression may have. */
    private const MOST = 1_000;

    /** Bytes. */
    public const LONGEST = 4_000;

    /**
     * @var list<Problem> codes: syntax, no_field, not_allowed, no_function, arguments, types, long; the path is the place in bytes from 1,
     *     or empty
     */
    public array $problems = [];

    /** What it gives: number, text, date or boolean. */
    public string $type = 'text';

    /** @var list<string> ids of the fields that it reads */
    public array $fields = [];

    private ?Node $tree = null;

    /** @var array<string, string> name in the tree => id of the field */
    private array $names = [];

    /**
     * @param  string  $text  with fields by their ids: `[p1] / 60`
     * @param  array<string, string>  $types  id of a field => its type
     */
    public function __construct(private readonly string $text, array $types)
    {
        if (strlen($text) > self::LONGEST) {
            $this->problems[] = new Problem('long', '', ['most' => self::LONGEST]);

            return;
        }
        $bare = $this->named($types);
        if ($this->problems !== []) {
            return;
        }
        try {
            $language = new ExpressionLanguage;
            foreach (array_keys(ExpressionFunctions::SIGNATURES) as $name) {
                $language->register($name, fn (): string => '', fn (): null => null);
            }
            $this->tree = $language->parse($bare, array_map(strval(...), array_keys($this->names)))->getNodes();
        } catch (SyntaxError $e) {
            $this->problems[] = $this->syntax($e);

            return;
        }
        $check = new ExpressionTypes(array_map(fn (string $id) => self::plain($types[$id]), $this->names), self::MOST);
        $this->type = $check->of($this->tree);
        $this->problems = array_map(
            fn (Problem $problem) => new Problem(
                $problem->code,
                $problem->path,
                isset($problem->variables['place'])
                    ? ['place' => $this->shownPlace((string) $problem->variables['place'])] + $problem->variables
                    : $problem->variables,
            ),
            $check->problems,
        );
        $this->fields = array_values(array_unique($this->names));
    }

    /**
     * The value for every record, column by column.
     *
     * @param  array<string, list<bool|float|int|string|null>>  $columns  id of a field => its values
     * @return list<bool|float|int|string|null> number, string, boolean or null; a date is `2026-05-03`
     */
    public function values(array $columns, int $count): array
    {
        return $this->tree === null || $this->problems !== []
            ? ($count === 0
                ? []
                : array_fill(0, $count, null))
            : (new ExpressionValues(array_map(fn (string $id) => $columns[$id] ?? [], $this->names), $count))->of($this->tree);
    }

    /** Money is a number, a choice is a text. */
    public static function plain(string $type): string
    {
        return ['money' => 'number', 'choice' => 'text'][$type] ?? $type;
    }

    /**
     * The text with a plain name in the place of each field, as long as that was, so that places stay.
     *
     * @param  array<string, string>  $types
     */
    private function named(array $types): string
    {
        $ids = [];

        return (string) preg_replace_callback(FieldNames::PATTERN, function (array $found) use (&$ids, $types): string {
            [$whole, $at] = $found[0];
            if (! isset($found[1])) {
                return $whole;
            }
            $id = $found[1][0];
            if (! isset($types[$id])) {
                $this->problems[] = new Problem('no_field', (string) ($at + 1), ['name' => mb_scrub($id)]);

                return $whole;
            }
            $name = $ids[$id] ??= '_'.base_convert((string) count($ids), 10, 36);
            $this->names[$name] = $id;

            return str_pad($name, strlen($whole));
        }, $this->text, flags: PREG_OFFSET_CAPTURE);
    }

    private function syntax(SyntaxError $error): Problem
    {
        $said = $error->getMessage();
        $at = preg_match('/around position (\d+)/', $said, $found) === 1 ? $found[1] : '';

        return match (true) {
            preg_match('/^The function "([^"]*)" does not exist/', $said, $found) === 1 => new Problem('no_function', $at, [
                'name' => $found[1],
            ]),
            preg_match('/^Variable "([^"]*)" is not valid/', $said, $found) === 1 => new Problem('no_field', $at, ['name' => $found[1]]),
            default => new Problem('syntax', $at),
        };
    }

    private function shownPlace(string $place): string
    {
        return (string) preg_replace_callback(
            '/\b(_[0-9a-z]{1,3})\b/',
            fn (array $found) => isset($this->names[$found[1]]) ? '['.$this->names[$found[1]].']' : $found[0],
            $place,
        );
    }
}
