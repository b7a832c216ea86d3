<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;

/**
 * What was read of a tab.
 *
 * @phpstan-import-type CellValue from \MistyAttic\Core\Kinds\Cell
 */
final class TabRead
{
    /** How many rows stay above while the others move. */
    public int $frozen = 0;

    /** @var array<int, int> column, from 1 => pixels */
    public array $widths = [];

    /** @var array<int, array<int, CellValue>> row => column => value, both from 1 */
    public array $rows = [];

    public int $columns = 0;

    /** @param CellValue $value */
    public function put(int $row, int $column, string|int|float|bool|array $value): void
    {
        $this->rows[$row][$column] = $value;
        $this->columns = max($this->columns, $column);
    }

    /**
     * As parts, whose ids go by where they are.
     *
     * @param  array{int, int}  $reach  columns and rows that must be there
     * @return list<Part>
     *
     * @throws Unreadable
     */
    public function parts(int $at, string $name, array $reach, FormatLimits $limits): array
    {
        $width = max($reach[0], $this->columns);
        $height = max($reach[1], $this->rows === [] ? 0 : max(array_keys($this->rows)));
        if ($width > $limits->columns || $height > $limits->parts) {
            throw Unreadable::because('it has more rows or columns than can be compared', Unreadable::quote($name));
        }
        $parts = [
            new Part("tab{$at}", SpreadsheetRole::Tab->value, 0, [
                'name' => mb_substr($name, 0, 100),
                'frozen' => min(100, max(0, $this->frozen)),
            ]),
        ];
        $ids = [];
        for ($column = 1; $column <= $width; $column++) {
            $ids[$column] = sprintf('t%dc%02d', $at, $column);
            $parts[] = new Part($ids[$column], SpreadsheetRole::Column->value, 1, [
                'width' => min(2000, $this->widths[$column] ?? 0),
                'format' => '',
            ]);
        }
        for ($row = 1; $row <= $height; $row++) {
            $fields = [];
            foreach ($this->rows[$row] ?? [] as $column => $value) {
                $fields[$ids[$column]] = $value;
            }
            unset($this->rows[$row]);
            $parts[] = new Part(sprintf('t%dr%02d', $at, $row), SpreadsheetRole::Row->value, 1, $fields);
        }

        return $parts;
    }
}
