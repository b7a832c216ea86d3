<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use XMLReader;

/**
 * Counts what a workbook would become before it is taken apart: a few bytes can say that a cell is repeated a million times, or that a
 * link lies over a whole sheet. Reads the XML as a stream, so that the counting itself is bounded by the file.
 */
final class SheetBounds
{
    /** Rich runs and drawn spaces, which are text within a cell. */
    private const MOST_RUNS = 500_000;

    private const MOST_SPACES = 1_000_000;

    private int $cells = 0;

    private int $rows = 0;

    private int $runs = 0;

    private int $spaces = 0;

    /** How often the row that is read stands there. */
    private int $times = 1;

    private function __construct(private readonly FormatLimits $limits) {}

    /** @throws Unreadable when it is more than the limits allow */
    public static function check(Archive $archive, FormatLimits $limits): void
    {
        $bounds = new self($limits);
        foreach ($archive->names() as $name) {
            if ($name === 'content.xml' || (str_starts_with($name, 'xl/') && str_ends_with($name, '.xml'))) {
                $bounds->read($archive->file($name, $limits->unpacked), $name);
            }
        }
    }

    private function read(string $xml, string $name): void
    {
        $reader = XMLReader::XML($xml, null, LIBXML_NONET | LIBXML_COMPACT | LIBXML_PARSEHUGE);
        if (! $reader instanceof XMLReader) {
            return;
        }
        while (@$reader->read()) {
            if ($reader->nodeType === XMLReader::ELEMENT) {
                $this->element($reader, $name);
            }
        }
        $reader->close();
    }

    private function element(XMLReader $reader, string $name): void
    {
        match ($reader->name) {
            'c' => $this->add(1, $name),
            'r' => $this->runs++,
            'row' => $this->rows++,
            'hyperlink' => $this->add(self::area((string) $reader->getAttribute('ref')), $name),
            'table:table-row' => $this->row(self::number($reader, 'table:number-rows-repeated')),
            // Empty cells are skipped by who reads them, however often they stand there.
            'table:table-cell' => $reader->getAttribute('office:value-type') === null && $reader->isEmptyElement ? null : $this->add($this->times * self::number($reader, 'table:number-columns-repeated'), $name),
            'text:s' => $this->spaces += self::number($reader, 'text:c'),
            'text:span' => $this->runs++,
            default => null,
        };
        if ($this->runs > self::MOST_RUNS || $this->spaces > self::MOST_SPACES || $this->rows > $this->limits->parts) {
            throw Unreadable::because('it holds more than can be read', $name);
        }
    }

    private function row(int $times): void
    {
        $this->times = $times;
        $this->rows++;
    }

    private function add(int $cells, string $name): void
    {
        $this->cells += $cells;
        if ($this->cells > $this->limits->cells) {
            throw Unreadable::tooLarge('it has more cells than can be compared', $this->limits->cells);
        }
    }

    private static function number(XMLReader $reader, string $attribute): int
    {
        return max(1, min(1 << 30, (int) ($reader->getAttribute($attribute) ?? '1')));
    }

    /** How many cells `A1:C7` covers. */
    private static function area(string $reference): int
    {
        if (preg_match('/^\$?([A-Z]{1,3})\$?(\d{1,7})(?::\$?([A-Z]{1,3})\$?(\d{1,7}))?$/D', $reference, $found) !== 1) {
            return 1;
        }
        $column = fn (string $letters): int => array_reduce(str_split($letters), fn (int $sum, string $letter): int => $sum * 26 + ord($letter) - 64, 0);

        return isset($found[3], $found[4]) ? (abs($column($found[3]) - $column($found[1])) + 1) * (abs((int) $found[4] - (int) $found[2]) + 1) : 1;
    }
}
