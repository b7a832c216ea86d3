<?php

declare(strict_types=1);

namespace MistyAttic\Core\Miniature;

/**
 * Blocks one below the other in a box: lines as long as their words, closer together where there are many, some of them where there are too
 * many.
 */
final readonly class Flow
{
    /** Pixels from line to line. */
    private const WIDEST = 9.0;

    private const CLOSEST = 2.6;

    /** Pixels of a letter. */
    private const LETTER = 3.4;

    /** From so many pixels on, words can be read. */
    private const LEGIBLE = 5.4;

    /** Blocks that are shown. */
    private const MOST = 46;

    public function __construct(private Canvas $canvas, private float $x, private float $y, private float $width, private float $height) {}

    /**
     * @param  list<Block>  $blocks
     * @param  float|null  $pitch  pixels from line to line, where several flows are beside each other
     */
    public function draw(array $blocks, ?float $pitch = null): void
    {
        $pitch ??= max(self::CLOSEST, min(self::WIDEST, $this->height / max(1.0, $this->lines($blocks))));
        $y = $this->y;
        foreach ($this->shown($blocks) as $block) {
            $lines = $block->lines($this->letters());
            if ($y + ($lines - 0.7) * $pitch > $this->y + $this->height + $pitch) {
                break;
            }
            $this->block($block, $y, $pitch);
            $y += $lines * $pitch;
        }
    }

    /** @param list<Block> $blocks */
    public function lines(array $blocks): float
    {
        return array_sum(array_map(fn (Block $block) => $block->lines($this->letters()), $this->shown($blocks)));
    }

    /**
     * @param  list<Block>  $blocks
     * @return list<Block>
     */
    private function shown(array $blocks): array
    {
        $most = max(1, (int) min(self::MOST, $this->height / (2.6 * self::CLOSEST)));

        return Sample::thinned($blocks, $most, fn (Block $block) => $block->tone !== null);
    }

    private function letters(): int
    {
        return max(1, (int) ($this->width / self::LETTER));
    }

    private function block(Block $block, float $y, float $pitch): void
    {
        $thick = max(1.2, $pitch * 0.38);
        $left = $this->x + min($this->width / 2, $block->indent * 8.0);
        $width = $this->x + $this->width - $left;
        match ($block->shape) {
            Shape::Text => $this->text($block, $left, $y, $width, $pitch, $thick),
            Shape::Heading => $pitch >= self::LEGIBLE
                ? $this->canvas->words(
                    $left,
                    $y + $pitch * 1.4,
                    min(11.0, $pitch * 1.35),
                    $width,
                    $block->words,
                    $block->tone ?? Tone::HEAD,
                )
                : $this->canvas->bar(
                    $left,
                    $y + $pitch * 0.4,
                    min($width, mb_strlen($block->words) * self::LETTER + 6),
                    $thick * 1.6,
                    $block->tone ?? Tone::HEAD,
                ),
            Shape::Box => $this->canvas->edge($left, $y, min($width, 110.0), $pitch * 1.6, $block->tone ?? Tone::LINE),
            Shape::Rule => $this->canvas->bar($left, $y + $pitch * 0.2, $width, 1.0, $block->tone ?? Tone::LINE),
            Shape::Table => $this->table($block, $y, $pitch, $thick),
            Shape::Picture => $this->picture($block, $left, $y, $width, $pitch),
        };
    }

    private function text(Block $block, float $x, float $y, float $width, float $pitch, float $thick): void
    {
        if ($block->indent > 0) {
            $this->canvas->bar($x - 5, $y, min(2.0, $thick), $thick, $block->tone ?? Tone::LINE);
        }
        $lines = (int) round($block->lines($this->letters()) - 0.7);
        $last = mb_strlen($block->words) - ($lines - 1) * ($width / self::LETTER);
        for ($line = 0; $line < $lines; $line++) {
            $this->canvas->bar(
                $x,
                $y + $line * $pitch,
                $line < $lines - 1 ? $width : max(8.0, min($width, $last * self::LETTER)),
                $thick,
                $block->tone ?? Tone::LINE,
            );
        }
    }

    private function table(Block $block, float $y, float $pitch, float $thick): void
    {
        foreach ($block->cells as $row => $cells) {
            $across = $this->width / max(1, count($cells));
            foreach ($cells as $at => $letters) {
                $letters > 0
                    && $this->canvas->bar(
                        $this->x + $at * $across,
                        $y + $row * $pitch,
                        min($across - 3, 3 + $letters * self::LETTER),
                        $thick,
                        $block->tone ?? ($row === 0 ? Tone::HEAD : Tone::LINE),
                    );
            }
        }
    }

    private function picture(Block $block, float $x, float $y, float $width, float $pitch): void
    {
        [$across, $down] = [min($width, 8 * $pitch), 5 * $pitch];
        if ($block->picture === null || ! $this->canvas->picture($x, $y, $across, $down, ...$block->picture)) {
            $this->canvas->bar($x, $y, $across, $down, Tone::GROUND);
        }
        $block->tone === null || $this->canvas->edge($x, $y, $across, $down, $block->tone);
    }
}
