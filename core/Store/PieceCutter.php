<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

/**
 * Cuts bytes into pieces at places that their content defines, so that a change in one place leaves the pieces elsewhere as they are:
 * behind the least length, at the first byte at which a gear hash of the last 32 bytes has its upper 16 bits clear (Xia et al., “FastCDC”,
 * USENIX ATC 2016, 3.2). Pieces have 16 KiB to 256 KiB, about 80 KiB. Bytes come in stretches, of whatever length.
 */
final class PieceCutter
{
    private const LEAST = 16_384;

    private const MOST = 262_144;

    private const WINDOW = 32;

    /** @var array<int|string, int> byte => 32 bits */
    private static array $gear = [];

    /** @param string $rest what was taken by an earlier one and is no piece yet */
    public function __construct(private string $rest = '')
    {
        if (self::$gear === []) {
            for ($byte = 0; $byte < 256; $byte++) {
                self::$gear[chr($byte)] = (int) hexdec(hash('crc32b', "gear {$byte}"));
            }
        }
    }

    /** What is no piece yet: fewer than 256 KiB. */
    public function rest(): string
    {
        return $this->rest;
    }

    /** @return list<string> the pieces that are finished by it */
    public function take(string $bytes): array
    {
        $bytes = $this->rest.$bytes;
        $length = strlen($bytes);
        $pieces = [];
        for ($from = 0; ($to = $this->end($bytes, $from, $length)) !== null; $from = $to) {
            $pieces[] = substr($bytes, $from, $to - $from);
        }
        $this->rest = substr($bytes, $from);

        return $pieces;
    }

    /** @return list<string> the last piece, if anything is left */
    public function finish(): array
    {
        [$last, $this->rest] = [$this->rest, ''];

        return $last === '' ? [] : [$last];
    }

    /** Where a piece ends that begins there; null if more bytes are needed to tell. */
    private function end(string $bytes, int $from, int $length): ?int
    {
        $gear = self::$gear;
        $until = min($length, $from + self::MOST);
        $hash = 0;
        for ($at = $from + self::LEAST - self::WINDOW; $at < $until; $at++) {
            $hash = (($hash << 1) + $gear[$bytes[$at]]) & 0xFFFFFFFF;
            if ($hash < 0x10000 && $at - $from >= self::LEAST) {
                return $at + 1;
            }
        }

        return $length - $from >= self::MOST ? $from + self::MOST : null;
    }
}
