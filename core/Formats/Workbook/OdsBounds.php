<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use MistyAttic\Core\Formats\Archive;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Unreadable;
use XMLReader;

/**
 * Counts what a workbook would become before it is taken apart: a few bytes can say that a cell is repeated a million times. Reads the XML
 * as a stream, so that the counting itself is bounded by the file.
 */
final class OdsBounds
{
    /** Rich runs and drawn spaces, which are text within a cell. */
    private const MOST_RUNS = 500_000;

    private const MOST_SPACES = 1_000_000;

    private const TABLE = 'urn:oasis:names:tc:opendocument:xmlns:table:1.0';

    private const TEXT = 'urn:oasis:names:tc:opendocument:xmlns:text:1.0';

    private const OFFICE = 'urn:oasis:names:tc:opendocument:xmlns:office:1.0';

    private int $runs = 0;

    private int $spaces = 0;

    /** How often the row that is read is there. */
    private int $times = 1;

    private function __construct(private readonly CellCount $count) {}

    /** @throws Unreadable when it is more than the limits allow */
    public static function check(Archive $archive, FormatLimits $limits): void
    {
        $bounds = new self(new CellCount($limits));
        XmlStream::read($archive->fileIfThere('content.xml', $limits->unpacked) ?? '', 'content.xml', $bounds->element(...));
    }

    private function element(XMLReader $reader): void
    {
        match ($reader->namespaceURI === self::TABLE || $reader->namespaceURI === self::TEXT ? $reader->localName : '') {
            'table-row' => $this->row($reader),
            // Empty cells are skipped by who reads them, however often they are there.
            'table-cell' => $reader->getAttributeNs('value-type', self::OFFICE) === null && $reader->isEmptyElement
                ? null
                : $this->count->cells($this->times * self::number($reader, 'number-columns-repeated')),
            's' => ($this->spaces += self::number($reader, 'c', self::TEXT)),
            'span' => $this->runs++,
            default => null,
        };
        if ($this->runs > self::MOST_RUNS || $this->spaces > self::MOST_SPACES) {
            throw Unreadable::because('it holds more than can be read', 'content.xml');
        }
    }

    private function row(XMLReader $reader): void
    {
        $this->times = self::number($reader, 'number-rows-repeated');
        $this->count->row('content.xml');
    }

    private static function number(XMLReader $reader, string $attribute, string $namespace = self::TABLE): int
    {
        return max(1, min(1 << 30, (int) ($reader->getAttributeNs($attribute, $namespace) ?? '1')));
    }
}
