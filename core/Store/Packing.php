<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

/**
 * Packs a chunk for keeping, as a delta against a base where that pays: zlib's preset dictionary makes what both share
 * cost next to nothing. Level 3 is where more effort stops paying on nodes of this size.
 */
final readonly class Packing
{
    private const LEVEL = 3;

    /**
     * Past this share of the size without a base, the chunk becomes a base of its own. Deltas grow as a node drifts away
     * from its base: if an edit adds d bytes to the delta and a base costs f, versions are cheapest on the whole with a
     * share of about √(2d/f), which is 0.15 to 0.25 for texts and for rows of tables.
     */
    private const DELTA_SHARE = 0.2;

    /** zlib's window: a longer dictionary is not seen whole. */
    private const WINDOW = 32_768;

    private function __construct(public ChunkForm $form, public string $data) {}

    public static function pack(string $bytes, ?string $base): self
    {
        $deflated = self::deflate($bytes, []);
        if ($base !== null && strlen($base) <= self::WINDOW) {
            $delta = self::deflate($bytes, ['dictionary' => $base]);
            if (strlen($delta) <= min(strlen($deflated), strlen($bytes)) * self::DELTA_SHARE) {
                return new self(ChunkForm::Delta, $delta);
            }
        }

        return strlen($deflated) < strlen($bytes) ? new self(ChunkForm::Deflated, $deflated) : new self(ChunkForm::Plain, $bytes);
    }

    /** @return string|null null when the data is not what the form says */
    public static function unpack(ChunkForm $form, string $data, ?string $base): ?string
    {
        if ($form === ChunkForm::Plain) {
            return $data;
        }
        $context = inflate_init(ZLIB_ENCODING_RAW, $form === ChunkForm::Delta ? ['dictionary' => (string) $base] : []);
        $bytes = $context === false ? false : @inflate_add($context, $data, ZLIB_FINISH);

        return $bytes === false ? null : $bytes;
    }

    /** @param array{dictionary?: string} $options */
    private static function deflate(string $bytes, array $options): string
    {
        $context = deflate_init(ZLIB_ENCODING_RAW, ['level' => self::LEVEL, ...$options]);
        $packed = $context === false ? false : deflate_add($context, $bytes, ZLIB_FINISH);
        if ($packed === false) {
            throw new \LogicException('zlib would not deflate');
        }

        return $packed;
    }
}
