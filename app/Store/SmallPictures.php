<?php

declare(strict_types=1);

namespace App\Store;

use MistyAttic\Core\Store\ChunkStore;

/** Pictures so small that they fit into a miniature. */
final readonly class SmallPictures
{
    /** Pictures of one state. */
    private const MOST = 2;

    /** Bytes and points of a picture that is made smaller at all. */
    private const BYTES = 4_194_304;

    private const POINTS = 12_000_000;

    /** Pixels across and down, and bytes of what comes out. */
    private const ACROSS = 112;

    private const DOWN = 78;

    private const SMALL = 2_400;

    public function __construct(private ChunkStore $chunks) {}

    /**
     * @param  list<string>  $chunks  hexadecimal addresses, in order
     * @return array<string, array{string, string}> type and bytes of those that could be made smaller, by address
     */
    public function of(array $chunks): array
    {
        $wanted = array_slice(array_values(array_unique($chunks)), 0, self::MOST);
        $found = $wanted === [] ? [] : $this->chunks->read(array_map(fn (string $chunk) => (string) hex2bin($chunk), $wanted));
        $small = [];
        foreach ($wanted as $chunk) {
            $made = self::small($found[(string) hex2bin($chunk)] ?? '');
            if ($made !== null) {
                $small[$chunk] = ['image/jpeg', $made];
            }
        }

        return $small;
    }

    /** @return string|null a JPEG; null for what is no picture, or too large a one */
    public static function small(string $bytes): ?string
    {
        $size = strlen($bytes) > self::BYTES ? false : @getimagesizefromstring($bytes);
        $picture
            = $size === false || $size[0] < 1 || $size[1] < 1 || $size[0] * $size[1] > self::POINTS ? false : @imagecreatefromstring($bytes);
        if ($picture === false) {
            return null;
        }
        foreach ([1.0, 0.7, 0.45] as $part) {
            $scale = min(1.0, self::ACROSS * $part / imagesx($picture), self::DOWN * $part / imagesy($picture));
            $small = imagecreatetruecolor(max(1, (int) (imagesx($picture) * $scale)), max(1, (int) (imagesy($picture) * $scale)));
            if ($small === false) {
                return null;
            }
            imagefill($small, 0, 0, 0xFFFFFF);
            imagecopyresampled($small, $picture, 0, 0, 0, 0, imagesx($small), imagesy($small), imagesx($picture), imagesy($picture));
            ob_start();
            imagejpeg($small, null, 55);
            $jpeg = (string) ob_get_clean();
            if (strlen($jpeg) <= self::SMALL) {
                return $jpeg;
            }
        }

        return null;
    }
}
