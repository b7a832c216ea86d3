<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use Closure;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;
use MistyAttic\Core\Kinds\Formulas\Formula;
use XMLReader;

/**
 * Reads one sheet of a workbook as a stream (ECMA-376 part 1, 18.3.1).
 *
 * @phpstan-import-type CellValue from Cell
 */
final class XlsxSheet
{
    /** After so many rows it is told how far reading has come. */
    private const ROWS = 500;

    private TabRead $tab;

    /** How many rows are written, and how many of them were read. */
    private int $rows = 0;

    private int $read = 0;

    private int $row = 0;

    private int $column = 0;

    /** @var array<int, array{string, int, int}> number => a formula that cells share, and the column and row that it is written for */
    private array $shared = [];

    /**
     * @param  list<string>  $texts
     * @param  (Closure(float): void)|null  $share  is told every so many rows how far reading has come, from 0 to 1
     */
    public function __construct(
        private readonly int $at,
        private readonly XlsxStyles $styles,
        private readonly array $texts,
        private readonly CellCount $count,
        private readonly Reach $reach,
        private readonly ?Closure $share = null,
    ) {
        $this->tab = new TabRead;
    }

    /** @throws Unreadable */
    public function read(string $xml, string $place): TabRead
    {
        $this->rows = substr_count($xml, '<row') ?: substr_count($xml, ':row');
        XmlStream::read($xml, $place, function (XMLReader $reader) use ($place): void {
            match ($reader->localName) {
                'row' => $this->row($reader, $place),
                'c' => $this->cell($reader),
                'col' => $this->widths($reader),
                'pane' => $this->pane($reader),
                default => null,
            };
        });

        return $this->tab;
    }

    private function row(XMLReader $reader, string $place): void
    {
        $this->count->row($place);
        if (++$this->read % self::ROWS === 0 && $this->share !== null) {
            ($this->share)(min(1.0, $this->read / max(1, $this->rows)));
        }
        $number = (int) $reader->getAttribute('r');
        $this->row = $number > 0 ? $number : $this->row + 1;
        $this->column = 0;
    }

    private function pane(XMLReader $reader): void
    {
        if (str_starts_with((string) $reader->getAttribute('state'), 'frozen')) {
            $this->tab->frozen = (int) $reader->getAttribute('ySplit');
        }
    }

    private function widths(XMLReader $reader): void
    {
        $pixels = max(0, (int) round((float) $reader->getAttribute('width') * 7));
        $last = min(16_384, (int) $reader->getAttribute('max'));
        for ($column = max(1, (int) $reader->getAttribute('min')); $pixels > 0 && $column <= $last; $column++) {
            $this->tab->widths[$column] = $pixels;
        }
    }

    private function cell(XMLReader $reader): void
    {
        $this->column = preg_match('/^[A-Z]{1,3}/', (string) $reader->getAttribute('r'), $letters) === 1
            ? 1 + CellPlaces::column($letters[0])
            : $this->column + 1;
        $type = $reader->getAttribute('t') ?? 'n';
        $style = (int) $reader->getAttribute('s');
        [$written, $formula] = $reader->isEmptyElement ? [null, null] : $this->content($reader, $type);
        $value = $written === null ? null : $this->value($written, $type, $style);
        if ($formula !== null) {
            $this->reach->add($formula, $this->at);
            $value = Cell::read(['=', $formula, ...($value === null ? [] : (array) $value)]) ?? $value;
        }
        $value = Cell::dressed($value, $this->styles->of($style));
        if ($value !== null) {
            $this->count->cells(1);
            $this->count->text($value);
            $this->tab->put($this->row, $this->column, $value);
        }
    }

    /** @return array{string|null, string|null} what the cell holds as it is written, and its formula */
    private function content(XMLReader $reader, string $type): array
    {
        $end = $reader->depth;
        $value = $formula = null;
        $name = '';
        while ($reader->read() && $reader->depth > $end) {
            if ($reader->nodeType === XMLReader::ELEMENT) {
                $name = $reader->localName;
                if ($name === 'is') {
                    $value = XlsxTexts::text($reader);
                } elseif ($name === 'f') {
                    $formula = $this->formula($reader);
                }
            } elseif ($name === 'v' && $reader->nodeType !== XMLReader::END_ELEMENT) {
                $value = ($value ?? '').$reader->value;
            }
        }

        return [$value ?? ($type === 'str' && $formula !== null ? '' : null), $formula];
    }

    /** The formula at which a reader is; null for one over a whole block, of which what it gave stays. */
    private function formula(XMLReader $reader): ?string
    {
        $type = $reader->getAttribute('t') ?? 'normal';
        $number = (int) $reader->getAttribute('si');
        $text = $reader->isEmptyElement ? '' : ltrim(str_replace(['_xlfn.', '_xlws.'], '', $reader->readString()), '=');
        if ($type === 'shared' && $text === '') {
            [$text, $column, $row] = $this->shared[$number] ?? ['', 0, 0];
            $text = Formula::moved($text, $this->column - $column, $this->row - $row);
        } elseif ($type === 'shared') {
            $this->shared[$number] = [$text, $this->column, $this->row];
        }

        return $text === '' || $type === 'array' || $type === 'dataTable' ? null : $text;
    }

    /** @return CellValue|null */
    private function value(string $written, string $type, int $style): string|int|float|bool|array|null
    {
        return match ($type) {
            's' => Cell::read($this->texts[(int) $written] ?? ''),
            'b' => $written === '1' || $written === 'true',
            'e' => Cell::read(['!', $written]) ?? ['!', '#VALUE!'],
            'd' => Cell::read(['d', rtrim(substr($written, 0, 19), 'Z')]) ?? Cell::read($written),
            'inlineStr' => self::text($written),
            'str' => self::text(XlsxTexts::unescaped($written)),
            default => is_numeric($written) ? $this->styles->value((float) $written, $style) : self::text($written),
        };
    }

    /** @return CellValue|null */
    private static function text(string $text): string|int|float|bool|array|null
    {
        return preg_match('/^#[A-Z0-9\/?!]{2,12}$/D', $text) === 1 ? ['!', $text] : Cell::read($text);
    }
}
