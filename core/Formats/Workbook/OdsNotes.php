<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use DOMElement;
use MistyAttic\Core\Formats\SaidInFile;
use XMLReader;

/** The notes of cells in an ODS workbook (annotations, OASIS ODF 1.3 part 3, 14.1), with who wrote them, which the library leaves out. */
final class OdsNotes
{
    private const TABLE = 'urn:oasis:names:tc:opendocument:xmlns:table:1.0';

    private const OFFICE = 'urn:oasis:names:tc:opendocument:xmlns:office:1.0';

    private const TEXT = 'urn:oasis:names:tc:opendocument:xmlns:text:1.0';

    private const DUBLIN = 'http://purl.org/dc/elements/1.1/';

    /** @var list<SaidInFile> */
    private array $said = [];

    private int $tab = -1;

    /** Where the row and the cell are that are read, and how often they are there. */
    private int $row = 0;

    private int $rows = 0;

    private int $column = 0;

    private int $columns = 0;

    private function __construct() {}

    /** @return list<SaidInFile> in the order of the file */
    public static function read(string $xml): array
    {
        $notes = new self;
        XmlStream::read($xml, 'content.xml', $notes->element(...));

        return $notes->said;
    }

    private function element(XMLReader $reader): void
    {
        match ("{$reader->namespaceURI} {$reader->localName}") {
            self::TABLE.' table' => ([$this->tab, $this->row, $this->rows] = [$this->tab + 1, 0, 0]),
            self::TABLE.' table-row' => ([$this->row, $this->rows, $this->column, $this->columns] = [
                $this->row + $this->rows,
                self::times($reader, 'number-rows-repeated'),
                0,
                0,
            ]),
            self::TABLE.' table-cell', self::TABLE.' covered-table-cell' => ([$this->column, $this->columns] = [
                $this->column + $this->columns,
                self::times($reader, 'number-columns-repeated'),
            ]),
            self::OFFICE.' annotation' => $this->annotation($reader),
            default => null,
        };
    }

    private function annotation(XMLReader $reader): void
    {
        $note = $reader->expand();
        if (! $note instanceof DOMElement || $this->tab < 0 || count($this->said) >= SaidInFile::MOST) {
            return;
        }
        foreach (['line-break' => "\n", 'tab' => "\t", 's' => ' '] as $name => $stands) {
            foreach ($note->getElementsByTagNameNS(self::TEXT, $name) as $mark) {
                $mark->textContent = $stands;
            }
        }
        $text = trim(
            implode(
                "\n",
                array_map(
                    fn (DOMElement $line) => $line->textContent,
                    iterator_to_array($note->getElementsByTagNameNS(self::TEXT, 'p'), false),
                ),
            ),
        );
        if ($text !== '') {
            $this->said[] = new SaidInFile(
                trim($note->getElementsByTagNameNS(self::DUBLIN, 'creator')->item(0)->textContent ?? ''),
                $text,
                '',
                [$this->tab, $this->row, $this->column],
            );
        }
    }

    private static function times(XMLReader $reader, string $attribute): int
    {
        return max(1, min(1 << 30, (int) ($reader->getAttributeNs($attribute, self::TABLE) ?? '1')));
    }
}
