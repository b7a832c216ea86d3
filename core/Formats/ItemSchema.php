<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\PartRole;
use MistyAttic\Core\Kinds\SchemaKind;

/**
 * What an item is as JSON, as a JSON Schema (draft 7) made from the roles of all kinds: {@see JsonWriter} writes it, {@see JsonReader}
 * reads it.
 */
final class ItemSchema
{
    /** @return array<string, mixed> */
    public static function make(): array
    {
        $kinds = array_values(
            array_filter(Kinds::all(), fn ($kind) => $kind instanceof SchemaKind && ! in_array($kind->name(), ['file', 'data'], true)),
        );

        return [
            '$schema' => 'http://json-schema.org/draft-07/schema#',
            'title' => 'An item, with the ids of its parts',
            'oneOf' => array_map(fn (SchemaKind $kind): array => ['$ref' => "#/definitions/{$kind->name()}"], $kinds),
            'definitions' => [
                ...array_merge(
                    ...array_map(
                        fn (SchemaKind $kind): array => [
                            $kind->name() => self::item($kind->name()),
                            "part of a {$kind->name()}" => ['oneOf' => array_map(self::part(...), $kind->roles()::cases())],
                        ],
                        $kinds,
                    ),
                ),
                'id' => ['type' => 'string', 'pattern' => '^[A-Za-z][A-Za-z0-9_-]{3,23}$'],
                'pictures' => [
                    'description' => 'the bytes of pictures in base64, by their addresses',
                    'type' => 'object',
                    'propertyNames' => ['pattern' => '^[0-9a-f]{40}$'],
                    'additionalProperties' => ['type' => 'string'],
                ],
                'talk' => self::talk(),
                'text' => self::text(),
                'cell' => [
                    'description'
                        => 'a number, a text, a boolean, or a list that begins with a sign: d a date, ! an error, = a formula with its result, * a look',
                    'anyOf' => [
                        ['type' => ['string', 'number', 'boolean']],
                        ['type' => 'array', 'minItems' => 2, 'items' => ['type' => ['string', 'number', 'boolean']]],
                    ],
                ],
            ],
        ];
    }

    /** @return array<string, mixed> what was said beside the parts */
    private static function talk(): array
    {
        return [
            'description' => 'threads: about a part, a cell (field is its column), words (quote), or all of it',
            'type' => 'array',
            'items' => [
                'type' => 'object',
                'required' => ['said'],
                'additionalProperties' => false,
                'properties' => [
                    'part' => ['$ref' => '#/definitions/id'],
                    'field' => ['$ref' => '#/definitions/id'],
                    'quote' => ['type' => 'string'],
                    'settled' => ['type' => 'boolean'],
                    'said' => [
                        'type' => 'array',
                        'minItems' => 1,
                        'items' => [
                            'type' => 'object',
                            'required' => ['text'],
                            'additionalProperties' => false,
                            'properties' => [
                                'by' => ['type' => 'string'],
                                'at' => ['description' => 'ISO 8601 in UTC', 'type' => 'string'],
                                'text' => ['type' => 'string'],
                            ],
                        ],
                    ],
                ],
            ],
        ];
    }

    /** @return array<string, mixed> words with their marks */
    private static function text(): array
    {
        return [
            'type' => 'object',
            'required' => ['runs'],
            'additionalProperties' => false,
            'properties' => [
                'runs' => [
                    'type' => 'array',
                    'items' => [
                        'type' => 'array',
                        'minItems' => 1,
                        'maxItems' => 2,
                        'items' => [
                            ['type' => 'string'],
                            [
                                'description' => 'its marks',
                                'type' => 'object',
                                'additionalProperties' => ['type' => ['boolean', 'string']],
                            ],
                        ],
                    ],
                ],
            ],
        ];
    }

    /** As it is in the documentation. */
    public static function json(): string
    {
        return json_encode(self::make(), JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR)."\n";
    }

    /** @return array<string, mixed> */
    private static function item(string $kind): array
    {
        return [
            'type' => 'object',
            'required' => ['kind', 'parts'],
            'additionalProperties' => false,
            'properties' => [
                'kind' => ['const' => $kind],
                'parts' => [
                    'description' => 'in pre-order, each [id, role, depth, fields]',
                    'type' => 'array',
                    'items' => ['$ref' => "#/definitions/part of a {$kind}"],
                ],
                'pictures' => ['$ref' => '#/definitions/pictures'],
                'talk' => ['$ref' => '#/definitions/talk'],
                'proposals' => [
                    'description' => 'what each proposes: all parts as they would be',
                    'type' => 'array',
                    'items' => [
                        'type' => 'object',
                        'required' => ['by', 'parts'],
                        'additionalProperties' => false,
                        'properties' => [
                            'by' => ['type' => 'string'],
                            'parts' => ['type' => 'array', 'items' => ['$ref' => "#/definitions/part of a {$kind}"]],
                        ],
                    ],
                ],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function part(PartRole $role): array
    {
        $fields = $role->fields();
        $cells = isset($fields[PartRole::CELLS]);
        unset($fields[PartRole::CELLS]);
        $needed = array_keys(array_filter($fields, fn (string $type) => ! str_ends_with($type, '?')));

        return [
            'type' => 'array',
            'minItems' => 4,
            'maxItems' => 4,
            'items' => [
                ['$ref' => '#/definitions/id'],
                ['const' => $role->value],
                ['type' => 'integer', 'minimum' => 0],
                [
                    'type' => 'object',
                    ...$needed === [] ? [] : ['required' => $needed],
                    ...$fields === []
                        ? []
                        : ['properties' => array_map(fn (string $type): array => self::field(rtrim($type, '?')), $fields)],
                    'additionalProperties' => $cells ? ['$ref' => '#/definitions/cell'] : false,
                ],
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function field(string $type): array
    {
        [$name, $one, $two] = [...explode(':', $type), '', ''];

        return match ($name) {
            'text', 'plain' => ['$ref' => '#/definitions/text'],
            'bool' => ['type' => 'boolean'],
            'int' => ['type' => 'integer', 'minimum' => (int) $one, 'maximum' => (int) $two],
            'number' => ['type' => 'number'],
            'string' => ['type' => 'string', 'maxLength' => (int) $one],
            'words' => ['enum' => explode('|', $one)],
            'hash' => ['description' => 'the address of a picture or a file', 'type' => 'string', 'pattern' => '^[0-9a-f]{40}$'],
            'date' => ['description' => 'ISO 8601', 'type' => 'string'],
            'list', 'addresses' => ['type' => 'array', 'items' => ['type' => 'string'], 'maxItems' => (int) $one],
            'cell' => ['$ref' => '#/definitions/cell'],
            default => ['type' => 'string'],
        };
    }
}
