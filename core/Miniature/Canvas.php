<?php

declare(strict_types=1);

namespace MistyAttic\Core\Miniature;

/**
 * What a miniature is drawn on, 300 to 210: bars, a few words, pictures. Becomes an SVG (SVG 2, W3C) of at most {@see MOST} bytes:
 * what would be more is left out.
 */
final class Canvas
{
    public const WIDTH = 300;

    public const HEIGHT = 210;

    /** Bytes. */
    public const MOST = 6_000;

    /** Bytes of the frame around all that is drawn. */
    private const FRAME = 300;

    /** Bytes that the colours of one tone take. */
    private const A_TONE = 80;

    /** @var array<string, string> tone => the bars in it, as a path */
    private array $bars = [];

    private string $above = '';

    /** @var array<string, true> */
    private array $tones = [];

    private int $left = self::MOST - self::FRAME;

    /** A bar, or a whole ground. Nothing is drawn of what lies outside. */
    public function bar(float $x, float $y, float $width, float $height, string $tone): void
    {
        [$x, $y, $right, $bottom] = [
            max(0.0, $x),
            max(0.0, $y),
            min((float) self::WIDTH, $x + $width),
            min((float) self::HEIGHT, $y + $height),
        ];
        if ($right - $x < 0.3 || $bottom - $y < 0.3) {
            return;
        }
        [$across, $down] = [self::number($right - $x), self::number($bottom - $y)];
        $path = 'M'.self::number($x).' '.self::number($y)."h{$across}v{$down}h-{$across}z";
        if ($this->takes(strlen($path), $tone)) {
            $this->bars[$tone] = ($this->bars[$tone] ?? '').$path;
        }
    }

    /** The edge of a box. */
    public function edge(float $x, float $y, float $width, float $height, string $tone = Tone::EDGE): void
    {
        $this->bar($x, $y, $width, 1.0, $tone);
        $this->bar($x, $y + $height - 1, $width, 1.0, $tone);
        $this->bar($x, $y, 1.0, $height, $tone);
        $this->bar($x + $width - 1, $y, 1.0, $height, $tone);
    }

    /** Legible words on a line, cut where the room ends; y is where they are on. */
    public function words(float $x, float $y, float $size, float $width, string $words, string $tone = Tone::HEAD): void
    {
        $words = trim((string) preg_replace('/[\s\p{C}]+/u', ' ', mb_scrub($words)));
        // A letter is about three fifths as wide as it is high.
        $room = (int) floor($width / ($size * 0.62));
        $words = mb_strlen($words) <= $room ? $words : rtrim(mb_substr($words, 0, max(1, $room - 1))).'…';
        $text = '<text class="'
        .$tone
        .'" x="'
        .self::number($x)
        .'" y="'
        .self::number($y)
        .'" font-size="'
        .self::number($size)
        .'">'
        .htmlspecialchars($words, ENT_QUOTES | ENT_XML1)
        .'</text>';
        if ($words !== '' && $room > 2 && $this->takes(strlen($text), $tone)) {
            $this->above .= $text;
        }
    }

    /**
     * @param  string  $bytes  a small picture
     * @return bool whether there was room for it
     */
    public function picture(float $x, float $y, float $width, float $height, string $type, string $bytes): bool
    {
        $image = '<image x="'
        .self::number($x)
        .'" y="'
        .self::number($y)
        .'" width="'
        .self::number($width)
        .'" height="'
        .self::number($height)
        .'" href="data:'
        .$type
        .';base64,'
        .base64_encode($bytes)
        .'"/>';
        if (! $this->takes(strlen($image), null)) {
            return false;
        }
        $this->above .= $image;

        return true;
    }

    public function svg(): string
    {
        $day = $night = $paths = '';
        foreach (array_keys($this->tones) as $tone) {
            $day .= ".{$tone}{fill:".Tone::ALL[$tone][1].'}';
            $night .= ".{$tone}{fill:".Tone::ALL[$tone][2].'}';
        }
        // Grounds lie below what is on them.
        $order = array_flip([Tone::GROUND, Tone::EDGE]);
        uksort($this->bars, fn (string $one, string $two) => ($order[$one] ?? 9) <=> ($order[$two] ?? 9));
        foreach ($this->bars as $tone => $path) {
            $paths .= "<path class=\"{$tone}\" d=\"{$path}\"/>";
        }

        return '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 '
            .self::WIDTH
            .' '
            .self::HEIGHT
            ."\"><style>text{font-family:Literata,Georgia,serif;font-weight:700}{$day}@media(prefers-color-scheme:dark){{$night}}</style>{$paths}{$this->above}</svg>";
    }

    private function takes(int $bytes, ?string $tone): bool
    {
        $bytes += $tone === null || isset($this->tones[$tone]) ? 0 : self::A_TONE;
        if ($bytes > $this->left) {
            return false;
        }
        $this->left -= $bytes;
        if ($tone !== null) {
            $this->tones[$tone] = true;
        }

        return true;
    }

    private static function number(float $number): string
    {
        return rtrim(rtrim(number_format($number, 1, '.', ''), '0'), '.');
    }
}
