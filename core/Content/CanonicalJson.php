<?php

declare(strict_types=1);

namespace MistyAttic\Core\Content;

/**
 * One way to write a value as JSON (RFC 8259): UTF-8, keys sorted by byte, no insignificant space, no escaped slashes or
 * non-ASCII, whole floats written as integers. The same value gives the same bytes, so that it gives the same hash.
 * Text is never normalised.
 */
final class CanonicalJson
{
    private const DEPTH = 64;

    /** @throws InvalidContent on invalid UTF-8, on NAN and INF, and on nesting deeper than 64 */
    public static function encode(mixed $value): string
    {
        try {
            return json_encode(self::sorted($value, 0), JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR, self::DEPTH);
        } catch (\JsonException $e) {
            throw InvalidContent::notCanonicalJson($e->getMessage());
        }
    }

    /**
     * Objects come back as arrays with string keys.
     *
     * @throws InvalidContent
     */
    public static function decode(string $json): mixed
    {
        try {
            return json_decode($json, true, self::DEPTH, JSON_THROW_ON_ERROR);
        } catch (\JsonException $e) {
            throw InvalidContent::notCanonicalJson($e->getMessage());
        }
    }

    private static function sorted(mixed $value, int $depth): mixed
    {
        if (is_float($value) && $value === floor($value) && abs($value) < 2 ** 53) {
            return (int) $value;
        }
        if (! is_array($value)) {
            return $value;
        }
        if ($depth >= self::DEPTH) {
            throw InvalidContent::notCanonicalJson('nested too deep');
        }
        if (! array_is_list($value)) {
            ksort($value, SORT_STRING);
        }
        foreach ($value as $key => $inner) {
            if (is_array($inner) || is_float($inner)) {
                $value[$key] = self::sorted($inner, $depth + 1);
            }
        }

        return $value;
    }
}
