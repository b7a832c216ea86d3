<?php

declare(strict_types=1);

namespace App\Kinds\File;

use GdImage;

/**
 * Where two pictures differ, point by point: they are laid over one another by their upper left corners. Points that lie near each other
 * make one place. Large pictures are looked at in a smaller size.
 */
final readonly class PictureCompared
{
    /** Points along the longer side that are looked at. */
    private const SIDE = 900;

    /** Points of a picture that is looked at at all. */
    private const MOST = 24_000_000;

    /** Points along the side of a square that is looked at as one. */
    private const SQUARE = 12;

    /** Of red, green, blue and how solid a point is, from 0 to 255 each: as far as compressing alone moves them. */
    private const TOLERANCE = 24;

    /**
     * @param  list<array{float, float, float, float}>  $places  left, top, width and height, in shares of the whole
     * @param  float  $share  of all points that differ
     * @param  array{int, int}  $before  width and height of the earlier picture
     * @param  array{int, int}  $after
     */
    private function __construct(public array $places, public float $share, public array $before, public array $after) {}

    /** Both sizes, that of what they cover together. */
    public function width(): int
    {
        return max($this->before[0], $this->after[0]);
    }

    public function height(): int
    {
        return max($this->before[1], $this->after[1]);
    }

    /** @return self|null null when either can't be looked at point by point */
    public static function of(FileState $old, FileState $new): ?self
    {
        $sizes = [];
        $pictures = [];
        foreach ([$old, $new] as $file) {
            $bytes = $file->whole();
            $size = @getimagesizefromstring($bytes);
            if ($size === false || $size[0] < 1 || $size[1] < 1 || $size[0] * $size[1] > self::MOST) {
                return null;
            }
            $picture = @imagecreatefromstring($bytes);
            if ($picture === false) {
                return null;
            }
            $sizes[] = [$size[0], $size[1]];
            $pictures[] = $picture;
        }
        [$width, $height] = [max($sizes[0][0], $sizes[1][0]), max($sizes[0][1], $sizes[1][1])];
        $scale = min(1.0, self::SIDE / max($width, $height));
        [$across, $down] = [max(1, (int) ceil($width * $scale)), max(1, (int) ceil($height * $scale))];
        [$squares, $count] = self::squares(
            self::laid($pictures[0], $across, $down, $scale),
            self::laid($pictures[1], $across, $down, $scale),
            $across,
            $down,
        );
        $places = array_map(
            fn (array $box) => [
                ($box[0] * self::SQUARE) / $across,
                ($box[1] * self::SQUARE) / $down,
                min(1.0, (($box[2] + 1) * self::SQUARE) / $across) - ($box[0] * self::SQUARE) / $across,
                min(1.0, (($box[3] + 1) * self::SQUARE) / $down) - ($box[1] * self::SQUARE) / $down,
            ],
            self::places($squares),
        );

        return new self($places, $count / ($across * $down), $sizes[0], $sizes[1]);
    }

    /** A picture in the upper left corner of nothing. */
    private static function laid(GdImage $picture, int $across, int $down, float $scale): GdImage
    {
        $whole = imagecreatetruecolor(max(1, $across), max(1, $down));
        if ($whole === false) {
            throw new \LogicException('There is room for a picture');
        }
        imagealphablending($whole, false);
        imagefill($whole, 0, 0, 0x7f000000);
        imagecopyresampled(
            $whole,
            $picture,
            0,
            0,
            0,
            0,
            max(1, (int) round(imagesx($picture) * $scale)),
            max(1, (int) round(imagesy($picture) * $scale)),
            imagesx($picture),
            imagesy($picture),
        );

        return $whole;
    }

    /** @return array{array<int, array<int, true>>, int} squares in which something differs, by row and column, and how many points do */
    private static function squares(GdImage $old, GdImage $new, int $across, int $down): array
    {
        $squares = [];
        $count = 0;
        for ($y = 0; $y < $down; $y++) {
            for ($x = 0; $x < $across; $x++) {
                [$was, $is] = [(int) imagecolorat($old, $x, $y), (int) imagecolorat($new, $x, $y)];
                if ($was !== $is && self::differ($was, $is)) {
                    $squares[intdiv($y, self::SQUARE)][intdiv($x, self::SQUARE)] = true;
                    $count++;
                }
            }
        }

        return [$squares, $count];
    }

    private static function differ(int $was, int $is): bool
    {
        $solid = 2 * abs(($was >> 24 & 0x7F) - ($is >> 24 & 0x7F));
        // What can not be seen has no colour.
        $isClear = ($was >> 24 & 0x7F) === 0x7F && ($is >> 24 & 0x7F) === 0x7F;

        return ! $isClear
            && max(
                $solid,
                abs((($was >> 16) & 0xff) - (($is >> 16) & 0xff)),
                abs((($was >> 8) & 0xff) - (($is >> 8) & 0xff)),
                abs(($was & 0xff) - ($is & 0xff)),
            ) > self::TOLERANCE;
    }

    /**
     * Squares that touch, or have one between them, are one place.
     *
     * @param  array<int, array<int, true>>  $squares
     * @return list<array{int, int, int, int}> first and last column and row: left, top, right, bottom
     */
    private static function places(array $squares): array
    {
        $places = [];
        while ($squares !== []) {
            $row = (int) array_key_first($squares);
            $column = (int) array_key_first($squares[$row]);
            $box = [$column, $row, $column, $row];
            $open = [[$row, $column]];
            unset($squares[$row][$column]);
            while ($open !== []) {
                [$y, $x] = array_pop($open);
                $box = [min($box[0], $x), min($box[1], $y), max($box[2], $x), max($box[3], $y)];
                for ($near = $y - 2; $near <= $y + 2; $near++) {
                    for ($beside = $x - 2; $beside <= $x + 2; $beside++) {
                        if (isset($squares[$near][$beside])) {
                            unset($squares[$near][$beside]);
                            $open[] = [$near, $beside];
                        }
                    }
                }
            }
            $places[] = $box;
            $squares = array_filter($squares, fn (array $left) => $left !== []);
        }

        return $places;
    }
}
