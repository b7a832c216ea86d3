<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Dataset;

use MistyAttic\Core\Content\PartTree;

/** The fields that an expression names in brackets: kept by their ids, so that renaming one changes nothing, and shown by their names. */
final class FieldNames
{
    /** Texts in quotes are passed over. */
    public const PATTERN = '/"(?:[^"\\\\]|\\\\.)*"|\'(?:[^\'\\\\]|\\\\.)*\'|\[([^\[\]"\']{1,120})\]/su';

    /** As somebody writes it: a bracket or a backslash in a name is behind a backslash. */
    private const WRITTEN = '/"(?:[^"\\\\]|\\\\.)*"|\'(?:[^\'\\\\]|\\\\.)*\'|\[((?:[^\[\]\\\\]|\\\\.){1,240})\]/su';

    /** @param array<string, string> $names id => name */
    public static function stored(string $text, array $names): string
    {
        $ids = [];
        foreach ($names as $id => $name) {
            $ids[mb_strtolower($name)] ??= (string) $id;
        }

        return (string) preg_replace_callback(self::WRITTEN, function (array $found) use ($ids): string {
            $name = isset($found[1]) ? trim((string) preg_replace('/\\\\(.)/su', '$1', $found[1])) : null;

            return $name === null || ! isset($ids[mb_strtolower($name)]) ? $found[0] : '['.$ids[mb_strtolower($name)].']';
        }, $text);
    }

    /** @param array<string, string> $names id => name */
    public static function shown(string $text, array $names): string
    {
        return self::replaced($text, fn (string $id): string => isset($names[$id]) ? addcslashes($names[$id], '[]\\') : $id);
    }

    /** @return list<string> ids, whether there are such fields or not */
    public static function in(string $text): array
    {
        $ids = [];
        self::replaced($text, function (string $id) use (&$ids): string {
            return $ids[] = $id;
        });

        return array_values(array_unique($ids));
    }

    /** @param callable(string): string $with */
    public static function replaced(string $text, callable $with): string
    {
        return (string) preg_replace_callback(
            self::PATTERN,
            fn (array $found): string => isset($found[1]) ? '['.$with($found[1]).']' : $found[0],
            $text,
        );
    }

    /** @return array<string, string> id => name */
    public static function of(PartTree $dataset): array
    {
        $names = [];
        foreach ($dataset->parts as $part) {
            if ($part->role === DatasetRole::Field->value) {
                $names[$part->id] = $part->string('name');
            }
        }

        return $names;
    }
}
