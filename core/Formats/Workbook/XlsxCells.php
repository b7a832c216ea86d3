<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use MistyAttic\Core\Formats\Xml;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;
use MistyAttic\Core\Kinds\Formulas\Formula;
use PhpOffice\PhpSpreadsheet\Shared\Date;
use PhpOffice\PhpSpreadsheet\Style\NumberFormat;
use PhpOffice\PhpSpreadsheet\Writer\Xlsx\FunctionPrefix;

/** Writes cells (ECMA-376 part 1, 18.3.1.4), and gathers the texts and looks that they share. */
final class XlsxCells
{
    /** The errors that a cell may hold (18.18.11 and 18.17.3); others are written as texts. */
    private const ERRORS = ['#NULL!', '#DIV/0!', '#VALUE!', '#REF!', '#NAME?', '#NUM!', '#N/A'];

    /** Whether a formula was written without a result. */
    public bool $lacksResults = false;

    /** @var array<string, int> text, with a sign before it since digits alone make other keys => number */
    private array $numbers = [];

    private string $texts = '';

    /** @param CellPlaces|null $places of formulas that are as they are kept */
    public function __construct(private readonly XlsxLooks $looks, private readonly ?CellPlaces $places) {}

    /**
     * @param  string  $at  such as B7
     * @param  string  $ofColumn  the look of the column, for cells that have none of their own
     */
    public function cell(string $at, string $row, mixed $value, string $ofColumn): string
    {
        $own = Cell::look($value);
        $look = $own === '' ? $ofColumn : $own;
        $result = Cell::result($value);
        $formula = Cell::formula($value);
        $formula = $formula === null || $this->places === null ? $formula : Formula::spell($formula, $row, $this->places);
        if (is_array($result) && $result[0] === 'd') {
            [$result, $look] = $this->day(Cell::second($result), $look, str_contains($own.$ofColumn, '|'));
        }
        [$type, $written] = $this->result($result, $formula !== null);
        if ($formula === null && $written === null && $look === '') {
            return '';
        }
        $this->lacksResults = $this->lacksResults || ($formula !== null && $written === null);
        $style = $look === '' ? '' : " s=\"{$this->looks->number($look)}\"";
        $content = ($formula === null ? '' : '<f>'.Xml::escape($this->prefixed($formula)).'</f>')
        .($written === null ? '' : "<v>{$written}</v>");

        return "<c r=\"{$at}\"{$style}".($type === null ? '' : " t=\"{$type}\"").($content === '' ? '/>' : ">{$content}</c>");
    }

    /** The texts that cells share. */
    public function texts(): string
    {
        return $this->texts;
    }

    /** @return array{int|float|string, string} the number of a day, or the text of one that has none, and its look */
    private function day(string $day, string $look, bool $hasFormat): array
    {
        $number = Date::stringToExcel(str_replace('T', ' ', $day));
        if ($number === false) {
            return [$day, $look];
        }

        return [
            $number,
            $hasFormat
                ? $look
                : $look.'|'.(fmod((float) $number, 1.0) === 0.0 ? NumberFormat::FORMAT_DATE_YYYYMMDD : 'yyyy-mm-dd hh:mm:ss'),
        ];
    }

    /** @return array{string|null, string|null} type, and what is written; null for no type, and for nothing */
    private function result(mixed $result, bool $ofFormula): array
    {
        return match (true) {
            $result === null => [null, null],
            is_bool($result) => ['b', $result ? '1' : '0'],
            is_int($result), is_float($result) => [null, (string) json_encode($result)],
            is_array($result) && in_array($result[1], self::ERRORS, true) => ['e', (string) $result[1]],
            $ofFormula => ['str', Xml::escape(XlsxTexts::escaped(self::plain($result)))],
            default => ['s', (string) $this->shared(self::plain($result))],
        };
    }

    private static function plain(mixed $result): string
    {
        $plain = is_array($result) ? $result[1] ?? '' : $result;

        return is_scalar($plain) ? (string) $plain : '';
    }

    private function shared(string $text): int
    {
        $number = $this->numbers["t{$text}"] ?? null;
        if ($number === null) {
            $this->numbers["t{$text}"] = $number = count($this->numbers);
            $space = trim($text) === $text && ! str_contains($text, "\n") ? '' : ' xml:space="preserve"';
            $this->texts .= "<si><t{$space}>".Xml::escape(XlsxTexts::escaped($text)).'</t></si>';
        }

        return $number;
    }

    /** With the prefixes that functions have which came later than the standard. */
    private function prefixed(string $formula): string
    {
        if (! str_contains($formula, '(')) {
            return $formula;
        }
        preg_match_all('/"[^"]*"|[^"]+/', $formula, $pieces);

        return implode(
            '',
            array_map(fn (string $piece): string => $piece[0] === '"' ? $piece : FunctionPrefix::addFunctionPrefix($piece), $pieces[0]),
        );
    }
}
