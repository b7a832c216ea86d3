<?php

declare(strict_types=1);

namespace App\View\Desks;

use Illuminate\Support\Str;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\PartRole;
use MistyAttic\Core\Kinds\SchemaKind;

/**
 * The parts of an item as fields of a form, by their schema alone: for a kind that has no desk of its own. What was sent becomes parts
 * again, for the kind to read; marks of a text stay as long as its words do.
 */
final readonly class PartFields
{
    public function __construct(public Kind $kind, public PartTree $tree) {}

    /** @return array<string, array{string, mixed}> field => how it is written (line, text, number, tick or none) and what is there */
    public function of(Part $part): array
    {
        $fields = [];
        foreach ($this->role($part->role)?->fields() ?? [] as $name => $type) {
            $value = $part->fields[$name] ?? null;
            $fields[$name] = [self::way($type), $value instanceof RichText ? $value->text() : $value];
        }

        return array_filter($fields, fn (array $field) => $field[0] !== 'none');
    }

    /** @return array<string, string> `role/parent` => the role, and the label of what it would become the last in */
    public function places(): array
    {
        $places = [];
        foreach ([null, ...$this->tree->parts] as $parent) {
            foreach ($this->kind instanceof SchemaKind ? $this->kind->roles()::cases() : [] as $role) {
                if ($role->mayStandIn($parent === null ? null : $this->role($parent->role))) {
                    $places["{$role->value}/".($parent->id ?? '')] = (string) __($parent === null ? 'fields.at_the_end' : 'fields.in', [
                        'what' => self::said((string) $role->value),
                        'place' => $parent === null ? '' : $this->kind->label($this->tree, $parent),
                    ]);
                }
            }
        }

        return $places;
    }

    /**
     * What was sent, as a list of parts.
     *
     * @param  array<mixed>  $sent  part => field => value
     * @param  array<mixed>  $gone  ids of parts that go, with what is below them
     * @param  string  $add  see {@see places}; none for ''
     * @return list<array{string, string, int, array<string, mixed>}>
     */
    public function read(array $sent, array $gone, string $add, string $newId): array
    {
        $content = [];
        $below = null;
        [$role, $parent] = $add === '' ? [null, null] : [Str::before($add, '/'), Str::after($add, '/')];
        $added = $role === null
            ? null
            : [$newId, $role, $parent === '' ? 0 : ($this->tree->find((string) $parent)->depth ?? 0) + 1, $this->blank($role)];
        $ends = $parent === '' || $parent === null
            ? count($this->tree->parts)
            : (int) $this->tree->position($parent) + count($this->tree->subtree($parent));
        foreach ($this->tree->parts as $position => $part) {
            if ($position === $ends && $added !== null) {
                $content[] = $added;
                $added = null;
            }
            $below = $below !== null && $part->depth > $below ? $below : null;
            if ($below === null && in_array($part->id, $gone, true)) {
                $below = $part->depth;
            }
            if ($below === null) {
                $content[] = [
                    $part->id,
                    $part->role,
                    $part->depth,
                    $this->written($part, is_array($sent[$part->id] ?? null) ? $sent[$part->id] : []),
                ];
            }
        }

        return $added === null ? $content : [...$content, $added];
    }

    public static function said(string $name): string
    {
        return str_replace('_', ' ', Str::snake($name));
    }

    private static function way(string $type): string
    {
        return match (strtok(rtrim($type, '?'), ':')) {
            'text' , 'plain' => 'text',
            'string', 'date', 'address', 'words' => 'line',
            'int', 'number' => 'number',
            'bool' => 'tick',
            default => 'none',
        };
    }

    /**
     * @param  array<mixed>  $sent
     * @return array<string, mixed>
     */
    private function written(Part $part, array $sent): array
    {
        $fields = (array) $part->toJson()[3];
        $types = $this->role($part->role)?->fields() ?? [];
        foreach ($this->of($part) as $name => [$way, $was]) {
            // What is not in the form stays as it is: one that has a tick sends it without one, too.
            if (! array_key_exists($name, $sent)) {
                continue;
            }
            $value = $sent[$name] ?? null;
            $text = is_scalar($value) ? str_replace("\r\n", "\n", (string) $value) : '';
            if ($text === '' && $way !== 'tick' && str_ends_with($types[$name], '?') && ($was === null || $way === 'number')) {
                unset($fields[$name]);

                continue;
            }
            $fields[$name] = match (true) {
                $way === 'tick' => $text !== '',
                $way === 'number' => is_numeric($text) ? $text + 0 : $text,
                $way === 'text' => $text === $was ? $fields[$name] ?? ['runs' => []] : RichText::plain($text)->toJson(),
                default => $text,
            };
        }

        return $fields;
    }

    /** @return array<string, mixed> */
    private function blank(string $role): array
    {
        $fields = [];
        foreach ($this->role($role)?->fields() ?? [] as $name => $type) {
            $numbers = explode(':', rtrim($type, '?'));
            $value = match (self::way($type)) {
                'text' => RichText::plain('')->toJson(),
                'tick' => false,
                'number' => (int) ($numbers[1] ?? 0),
                'line' => $numbers[0] === 'words' ? explode('|', $numbers[1] ?? '')[0] : '',
                default => null,
            };
            if (! str_ends_with($type, '?') && $value !== null) {
                $fields[$name] = $value;
            }
        }

        return $fields;
    }

    private function role(string $name): ?PartRole
    {
        return $this->kind instanceof SchemaKind ? $this->kind->roles()::tryFrom($name) : null;
    }
}
