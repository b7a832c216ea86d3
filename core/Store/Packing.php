<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

use LogicException;

/**
 * Packs a chunk for keeping, as a delta against a base where that pays. A delta copies runs of lines that the base has as well, and has the
 * others whole: numbers of 16 bits (big-endian), how many follow, then for each run how many lines of its own are before it, the first line
 * that is copied and how many; then the own lines. All of it is deflated, with the base as zlib's preset dictionary. Records are in lines
 * ({@see HashTree}), so a changed record costs some 50 bytes.
 */
final readonly class Packing
{
    /** Level 3 is where more effort stops paying on whole nodes; a delta is short, and its dictionary often repeats itself. */
    private const LEVEL = 3;

    private const DELTA_LEVEL = 9;

    /**
     * Past this share of the size without a base, a delta gains too little for what reading it takes. What it is a delta of may be one
     * itself, so it need not be far from it.
     */
    private const DELTA_SHARE = 0.5;

    /** A delta below this share of the bytes is taken without deflating them: little gets to a tenth of its length. */
    private const SHORT = 0.02;

    private const MOST = 0xFFFF;

    private function __construct(public ChunkForm $form, public string $data) {}

    public static function pack(string $bytes, ?string $base): self
    {
        $delta = $base === null ? null : self::delta($bytes, $base);
        if ($delta !== null && strlen($delta) <= strlen($bytes) * self::SHORT) {
            return new self(ChunkForm::Delta, $delta);
        }
        $deflated = self::deflate($bytes, ['level' => self::LEVEL]);
        $whole = strlen($deflated) < strlen($bytes) ? new self(ChunkForm::Deflated, $deflated) : new self(ChunkForm::Plain, $bytes);

        return $delta !== null && strlen($delta) <= strlen($whole->data) * self::DELTA_SHARE ? new self(ChunkForm::Delta, $delta) : $whole;
    }

    /** @return string|null null when the data is not what the form says */
    public static function unpack(ChunkForm $form, string $data, ?string $base): ?string
    {
        return match ($form) {
            ChunkForm::Plain => $data,
            ChunkForm::Deflated => self::inflate($data, []),
            ChunkForm::Delta => self::applied(self::inflate($data, ['dictionary' => (string) $base]), (string) $base),
        };
    }

    /** @return string|null null when there are too many lines */
    private static function delta(string $bytes, string $base): ?string
    {
        [$lines, $held] = [explode("\n", $bytes), explode("\n", $base)];
        if (max(count($lines), count($held)) > self::MOST) {
            return null;
        }
        // Of lines that are alike, the one that goes on a run is meant, else the first.
        $places = array_flip(array_reverse($held, true));
        $numbers = $own = [];
        for ($at = $before = $next = 0, $end = count($lines); $at < $end; $at += $length, $before = 0, $next = $from + $length) {
            while (
                $at < $end
                && ($from = ($held[$next + $before] ?? null) === $lines[$at] ? $next + $before : $places[$lines[$at]] ?? null) === null
            ) {
                $own[] = $lines[$at++];
                $before++;
            }
            for ($length = 0, $from ??= 0; $at + $length < $end && ($held[$from + $length] ?? null) === $lines[$at + $length]; $length++);
            array_push($numbers, $before, $from, $length);
        }

        return count($numbers) > self::MOST
            ? null
            : self::deflate(pack('n*', count($numbers), ...$numbers).implode("\n", $own), [
                'level' => self::DELTA_LEVEL,
                'dictionary' => $base,
            ]);
    }

    private static function applied(?string $delta, string $base): ?string
    {
        if ($delta === null || strlen($delta) < 2) {
            return null;
        }
        $count = (ord($delta[0]) << 8) + ord($delta[1]);
        $numbers = $count % 3 !== 0 || strlen($delta) < 2 + 2 * $count ? false : unpack("n{$count}", $delta, 2);
        if ($numbers === false) {
            return null;
        }
        [$held, $own, $lines, $at] = [explode("\n", $base), explode("\n", substr($delta, 2 + 2 * $count)), [], 0];
        foreach (array_chunk($numbers, 3) as [$before, $from, $length]) {
            array_push($lines, ...array_slice($own, $at, $before), ...array_slice($held, $from, $length));
            $at += $before;
        }

        return implode("\n", $lines);
    }

    /** @param array{dictionary?: string} $options */
    private static function inflate(string $data, array $options): ?string
    {
        $context = inflate_init(ZLIB_ENCODING_RAW, $options);
        $bytes = $context === false ? false : @inflate_add($context, $data, ZLIB_FINISH);

        return $bytes === false ? null : $bytes;
    }

    /** @param array{level: int, dictionary?: string} $options */
    private static function deflate(string $bytes, array $options): string
    {
        $context = deflate_init(ZLIB_ENCODING_RAW, $options);
        $packed = $context === false ? false : deflate_add($context, $bytes, ZLIB_FINISH);

        return $packed === false ? throw new LogicException('zlib would not deflate') : $packed;
    }
}
