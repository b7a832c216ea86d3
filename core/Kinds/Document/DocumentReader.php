<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Document;

use MistyAttic\Core\Content\InvalidContent;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Kinds\Reading;

/** Reads a document's parts as they were sent; see {@see DocumentRole} for the schema. */
final class DocumentReader
{
    /** @var list<Problem> */
    private array $problems = [];

    /** @var array<string, true> */
    private array $ids = [];

    /** @var array<int, DocumentRole|null> the role at each open depth, shifted by one: 0 is the root */
    private array $open = [null];

    private function __construct(private readonly Limits $limits) {}

    public static function read(mixed $content, Limits $limits): Reading
    {
        return (new self($limits))->all($content);
    }

    private function all(mixed $content): Reading
    {
        if (! is_array($content) || ! array_is_list($content)) {
            return Reading::problems([new Problem('not_a_list', 'parts')]);
        }
        if (count($content) > $this->limits->parts) {
            return Reading::problems([new Problem('too_many_parts', 'parts', ['max' => $this->limits->parts, 'count' => count($content)])]);
        }
        $parts = [];
        foreach ($content as $position => $value) {
            $part = $this->part($value, "parts.{$position}");
            if ($part !== null) {
                $parts[] = $part;
            }
            if (count($this->problems) >= $this->limits->problems) {
                break;
            }
        }

        return $this->problems === [] ? Reading::tree(PartTree::of($parts)) : Reading::problems($this->problems);
    }

    private function part(mixed $value, string $path): ?Part
    {
        if (! is_array($value) || ! array_is_list($value) || count($value) !== 4) {
            return $this->problem('not_a_part', $path);
        }
        [$id, $role, $depth, $fields] = $value;
        if (! is_string($id) || preg_match('/^[A-Za-z][A-Za-z0-9_-]{3,23}$/', $id) !== 1) {
            return $this->problem('bad_id', $path);
        }
        if (isset($this->ids[$id])) {
            return $this->problem('doubled_id', $path, ['id' => $id]);
        }
        $this->ids[$id] = true;
        $known = is_string($role) ? DocumentRole::tryFrom($role) : null;
        if ($known === null) {
            return $this->problem('unknown_role', $path, ['role' => is_string($role) ? mb_substr(mb_scrub($role), 0, 40) : gettype($role)]);
        }
        if (! is_int($depth) || $depth < 0 || $depth > $this->limits->depth || $depth >= count($this->open)) {
            return $this->problem('bad_depth', $path, ['max' => min($this->limits->depth, count($this->open) - 1)]);
        }
        if (! $known->mayStandIn($this->open[$depth])) {
            return $this->problem('misplaced', $path, ['role' => $known->value]);
        }
        $this->open = [...array_slice($this->open, 0, $depth + 1), $known];
        if (! is_array($fields)) {
            return $this->problem('not_fields', $path);
        }

        return new Part($id, $known->value, $depth, $this->fields($known, $fields, $path));
    }

    /**
     * @param  array<mixed>  $sent
     * @return array<string, RichText|string|int|bool>
     */
    private function fields(DocumentRole $role, array $sent, string $path): array
    {
        $schema = $role->fields();
        foreach (array_diff(array_map(strval(...), array_keys($sent)), array_keys($schema)) as $name) {
            $this->problem('unknown_field', "{$path}.fields", ['field' => mb_substr(mb_scrub($name), 0, 40)]);
        }
        $fields = [];
        foreach ($schema as $name => $type) {
            $value = $this->field($type, $sent[$name] ?? null, "{$path}.fields.{$name}");
            if ($value !== null) {
                $fields[$name] = $value;
            }
        }

        return $fields;
    }

    private function field(string $type, mixed $value, string $path): RichText|string|int|bool|null
    {
        $bounds = explode(':', $type);

        return match ($bounds[0]) {
            'text' => $this->text($value, $path),
            'plain' => $this->plain($value, $path),
            'bool' => $value === null ? false : (is_bool($value) ? $value : $this->problem('not_a_boolean', $path)),
            'int' => is_int($value) && $value >= (int) $bounds[1] && $value <= (int) $bounds[2] ? $value
                : $this->problem('out_of_range', $path, ['min' => (int) $bounds[1], 'max' => (int) $bounds[2]]),
            'string' => is_string($value) && mb_check_encoding($value, 'UTF-8') && mb_strlen($value) <= (int) $bounds[1] ? $value
                : $this->problem('bad_string', $path, ['max' => (int) $bounds[1]]),
            'words' => is_string($value) && in_array($value, explode('|', $bounds[1]), true) ? $value
                : $this->problem('not_one_of', $path, ['words' => str_replace('|', ', ', $bounds[1])]),
            'hash' => is_string($value) && preg_match('/^[0-9a-f]{40}$/', $value) === 1 ? $value : $this->problem('bad_hash', $path),
            default => throw new \LogicException("No field type {$type}"),
        };
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

    /** Code bears no marks. */
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
