<?php

declare(strict_types=1);

namespace App\View\Settings;

use App\Words\Days;
use MistyAttic\Core\Content\Part;

/** What a part is set to besides its words, by what each setting is called. */
final class Settings
{
    /** @return array<string, string> */
    public static function of(Part $part): array
    {
        $settings = [];
        foreach (array_keys($part->fields) as $field) {
            $shown = self::value($part, $field);
            if ($shown !== '') {
                $settings[self::name($field)] = $shown;
            }
        }

        return $settings;
    }

    public static function name(string $field): string
    {
        return trans()->has("changes.fields.{$field}") ? mb_ucfirst((string) __("changes.fields.{$field}")) : mb_ucfirst($field);
    }

    /** One setting as text; a picture is shown as one instead, and sizes go with it. */
    public static function value(Part $part, string $field): string
    {
        $value = $part->fields[$field] ?? null;
        // What is named by ids is said by names.
        $named = SettingWords::anyOf(
            $part->role,
            $field,
            is_array($value) ? implode(', ', array_filter($value, is_string(...))) : (is_string($value) ? $value : ''),
        );

        return $named ?? match (true) {
            is_array($value) => implode(', ', array_filter($value, is_string(...))),
            is_string($value) => $field === 'chunk' ? '' : Days::said($value),
            is_int($value) => $part->role === 'picture' ? '' : (string) $value,
            default => '',
        };
    }
}
