<?php

declare(strict_types=1);

namespace App\Http;

/** What was sent, as hidden fields of a form that sends it once more. */
final class HiddenFields
{
    /**
     * @param  array<array-key, mixed>  $sent
     * @return list<array{string, int|string}> names and values
     */
    public static function of(array $sent, string $within = ''): array
    {
        $fields = [];
        foreach ($sent as $name => $value) {
            $name = $within === '' ? (string) $name : "{$within}[{$name}]";
            array_push(
                $fields,
                ...is_array($value)
                    ? self::of($value, $name)
                    : [[$name, is_int($value) ? $value : (is_string($value) ? $value : (int) $value)]],
            );
        }

        return $fields;
    }
}
