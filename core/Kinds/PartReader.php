<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

use MistyAttic\Core\Content\InvalidContent;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;

/**
 * Reads parts as they were sent and checks them against the roles of a kind; every problem is collected.
 *
 * @phpstan-import-type FieldValue from Part
 */
final class PartReader
{
    public const ID = '/^[A-Za-z][A-Za-z0-9_-]{3,23}$/D';

    /** @var list<Problem> */
    private array $problems = [];

    /** @var array<string, true> */
    private array $ids = [];

    /** @var array<int, PartRole|null> the role at each open depth, shifted by one: 0 is the root */
    private array $open = [null];

    /** @var array<string, true> the names of fields, which no id may be, since a field named by an id is a cell of that column */
    private readonly array $names;

    /** @var array<string, array{string, string}> columns that a cell names: id, and the path of the first such cell */
    private array $cells = [];

    /** @param class-string<PartRole> $roles */
    private function __construct(private readonly string $roles, private readonly Limits $limits)
    {
        $names = [];
        foreach ($roles::cases() as $role) {
            $names += array_fill_keys(array_keys($role->fields()), true);
        }
        $this->names = $names;
    }

    /** @param class-string<PartRole> $roles the enum of a kind's roles */
    public static function read(string $roles, mixed $content, Limits $limits): Reading
    {
        return (new self($roles, $limits))->all($content);
    }

    /**
     * What is wrong with parts that are there already; none of them is kept twice for it.
     *
     * @param  class-string<PartRole>  $roles
     * @return list<Problem>
     */
    public static function problems(string $roles, PartTree $tree, Limits $limits): array
    {
        $reader = new self($roles, $limits);
        if (count($tree->parts) > $limits->parts) {
            return [self::tooMany(count($tree->parts), $limits)];
        }
        foreach ($tree->parts as $position => $part) {
            if (! $reader->isDone()) {
                $reader->part([$part->id, $part->role, $part->depth, (array) $part->toJson()[3]], "parts.{$position}");
            }
        }
        $reader->columns();

        return $reader->problems;
    }

    private function all(mixed $content): Reading
    {
        if (! is_array($content) || ! array_is_list($content)) {
            return Reading::problems([new Problem('not_a_list', 'parts')]);
        }
        if (count($content) > $this->limits->parts) {
            return Reading::problems([self::tooMany(count($content), $this->limits)]);
        }
        $parts = [];
        foreach ($content as $position => $value) {
            $part = $this->part($value, "parts.{$position}");
            if ($part !== null) {
                $parts[] = $part;
            }
            if ($this->isDone()) {
                break;
            }
        }
        $this->columns();

        return $this->problems === [] ? Reading::tree(PartTree::of($parts)) : Reading::problems($this->problems);
    }

    private static function tooMany(int $count, Limits $limits): Problem
    {
        return new Problem('too_many_parts', 'parts', ['max' => $limits->parts, 'count' => $count]);
    }

    private function isDone(): bool
    {
        return count($this->problems) >= $this->limits->problems;
    }

    /** A cell names a column that is there. */
    private function columns(): void
    {
        foreach ($this->cells as [$column, $path]) {
            isset($this->ids[$column]) || $this->problem('no_such_column', $path, ['column' => $column]);
        }
    }

    private function part(mixed $value, string $path): ?Part
    {
        if (! is_array($value) || ! array_is_list($value) || count($value) !== 4) {
            return $this->problem('not_a_part', $path);
        }
        [$id, $role, $depth, $fields] = $value;
        if (! is_string($id) || preg_match(self::ID, $id) !== 1 || isset($this->names[$id])) {
            return $this->problem('bad_id', $path);
        }
        if (isset($this->ids[$id])) {
            return $this->problem('doubled_id', $path, ['id' => $id]);
        }
        $this->ids[$id] = true;
        $known = is_string($role) ? ($this->roles)::tryFrom($role) : null;
        if ($known === null) {
            return $this->problem('unknown_role', $path, ['role' => is_string($role) ? mb_substr(mb_scrub($role), 0, 40) : gettype($role)]);
        }
        if (! is_int($depth) || $depth < 0 || $depth > $this->limits->depth || $depth >= count($this->open)) {
            return $this->problem('bad_depth', $path, ['max' => min($this->limits->depth, count($this->open) - 1)]);
        }
        if (! $known->mayStandIn($this->open[$depth])) {
            return $this->problem('misplaced', $path, ['role' => $role]);
        }
        $this->open = [...array_slice($this->open, 0, $depth + 1), $known];
        if (! is_array($fields)) {
            return $this->problem('not_fields', $path);
        }

        return new Part($id, $role, $depth, $this->fields($known, $fields, $path));
    }

    /**
     * @param  array<mixed>  $sent
     * @return array<string, FieldValue>
     */
    private function fields(PartRole $role, array $sent, string $path): array
    {
        $schema = $role->fields();
        $cells = isset($schema[PartRole::CELLS]);
        unset($schema[PartRole::CELLS]);
        $fields = [];
        foreach (array_diff_key($sent, $schema) as $name => $value) {
            $name = (string) $name;
            if (! $cells) {
                $this->problem('unknown_field', "{$path}.fields", ['field' => mb_substr(mb_scrub($name), 0, 40)]);
            } elseif (preg_match(self::ID, $name) !== 1) {
                $this->problem('no_such_column', $path, ['column' => mb_substr(mb_scrub($name), 0, 40)]);
            } else {
                $this->cells[$name] ??= [$name, $path];
                $fields[$name] = $this->field('cell?', $value, "{$path}.fields.{$name}");
            }
        }
        foreach ($schema as $name => $type) {
            $fields[$name] = $this->field($type, $sent[$name] ?? null, "{$path}.fields.{$name}");
        }

        return array_filter($fields, fn (mixed $value) => $value !== null);
    }

    /** @return FieldValue|null */
    private function field(string $type, mixed $value, string $path): RichText|string|int|float|bool|array|null
    {
        if (str_ends_with($type, '?')) {
            if ($value === null) {
                return null;
            }
            $type = substr($type, 0, -1);
        }
        $bounds = explode(':', $type);

        return match ($bounds[0]) {
            'text' => $this->text($value, $path),
            'plain' => $this->plain($value, $path),
            'bool' => $value === null ? false : (is_bool($value) ? $value : $this->problem('not_a_boolean', $path)),
            'int' => is_int($value) && $value >= (int) $bounds[1] && $value <= (int) $bounds[2] ? $value
                : $this->problem('out_of_range', $path, ['min' => (int) $bounds[1], 'max' => (int) $bounds[2]]),
            'number' => (is_int($value) || is_float($value)) && is_finite($value)
                ? Cell::number($value)
                : $this->problem('not_a_number', $path),
            'string' => is_string($value) && mb_check_encoding($value, 'UTF-8') && mb_strlen($value) <= (int) $bounds[1]
                ? $value
                : $this->problem('bad_string', $path, ['max' => (int) $bounds[1]]),
            'words' => is_string($value) && in_array($value, explode('|', $bounds[1]), true) ? $value
                : $this->problem('not_one_of', $path, ['words' => str_replace('|', ', ', $bounds[1])]),
            'hash' => is_string($value) && preg_match('/^[0-9a-f]{40}$/', $value) === 1 ? $value : $this->problem('bad_hash', $path),
            'date' => is_string($value) && Cell::isDate($value) ? $value : $this->problem('not_a_date', $path),
            'list' => $this->list($value, (int) $bounds[1], $path),
            'address' => is_string($value) && self::isAddress($value) ? $value : $this->problem('bad_address', $path),
            'addresses' => $this->addresses($value, (int) $bounds[1], $path),
            'cell' => Cell::read($value) ?? $this->problem('bad_cell', $path, ['max' => Cell::MOST]),
            default => throw new \LogicException("No field type {$type}"),
        };
    }

    /** @return list<string>|null */
    private function list(mixed $value, int $most, string $path): ?array
    {
        $strings = is_array($value) && array_is_list($value)
            ? array_values(
                array_filter(
                    $value,
                    fn (mixed $each) => is_string($each) && mb_check_encoding($each, 'UTF-8') && mb_strlen($each) <= 500,
                ),
            )
            : null;
        if ($strings === null || count($strings) !== count((array) $value) || count($strings) > $most) {
            return $this->problem('bad_list', $path, ['max' => $most]);
        }

        return $strings;
    }

    /** @return list<string>|null */
    private function addresses(mixed $value, int $most, string $path): ?array
    {
        $addresses = $this->list($value, $most, $path);
        foreach ($addresses ?? [] as $at => $address) {
            self::isAddress($address) || $this->problem('bad_address', "{$path}.{$at}");
        }

        return $addresses;
    }

    private static function isAddress(string $address): bool
    {
        return $address === '' || RichText::isLink($address);
    }

    private function text(mixed $value, string $path): ?RichText
    {
        try {
            $text = RichText::fromJson($value);
        } catch (InvalidContent) {
            return $this->problem('not_rich_text', $path);
        }
        if (strlen($text->text()) > $this->limits->textBytes) {
            return $this->problem('text_too_long', $path, ['max' => intdiv($this->limits->textBytes, 1024)]);
        }

        return $text;
    }

    /** Code has no marks. */
    private function plain(mixed $value, string $path): ?RichText
    {
        $text = $this->text($value, $path);

        return $text === null ? null : new RichText([new Run($text->text())]);
    }

    /** @param array<string, string|int> $variables */
    private function problem(string $code, string $path, array $variables = []): null
    {
        $this->problems[] = new Problem($code, $path, $variables);

        return null;
    }
}
