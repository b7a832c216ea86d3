<?php

declare(strict_types=1);

namespace MistyAttic\Core\Content;

/** The address of a chunk: BLAKE2b (RFC 7693) with 20 bytes of output, of its uncompressed bytes. Raw here, hexadecimal outside. */
final class Address
{
    public const BYTES = 20;

    public static function of(string $bytes): string
    {
        return sodium_crypto_generichash($bytes, '', self::BYTES);
    }
}
