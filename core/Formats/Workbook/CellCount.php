<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Unreadable;

/** How many cells and rows of a workbook were read, and how much text, within what may be. */
final class CellCount
{
    private int $cells = 0;

    private int $rows = 0;

    private int $bytes = 0;

    public function __construct(private readonly FormatLimits $limits) {}

    /** @throws Unreadable */
    public function row(string $place): void
    {
        if (++$this->rows > $this->limits->parts) {
            throw Unreadable::because('it holds more than can be read', $place);
        }
    }

    /**
     * A text that thousands of cells share is in each of them when they are kept.
     *
     * @throws Unreadable
     */
    public function text(mixed $value): void
    {
        $this->bytes += is_string($value) ? strlen($value) : 0;
        if ($this->bytes > $this->limits->unpacked) {
            throw Unreadable::because('its texts are larger than '.intdiv($this->limits->unpacked, 1_048_576).' MB');
        }
    }

    /** @throws Unreadable */
    public function cells(int $count): void
    {
        $this->cells += $count;
        if ($this->cells > $this->limits->cells) {
            throw Unreadable::tooLarge('it has more cells than can be compared', $this->limits->cells);
        }
    }
}
