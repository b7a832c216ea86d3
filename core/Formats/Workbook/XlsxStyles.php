<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use DOMElement;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Formats\Xml;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\NumberLook;
use PhpOffice\PhpSpreadsheet\Shared\Date;
use PhpOffice\PhpSpreadsheet\Style\NumberFormat;

/** How cells look by the number of their style (ECMA-376 part 1, 18.8), and which numbers are days. */
final readonly class XlsxStyles
{
    /** Days from the first that one way of counting knows to the first of the other (ECMA-376 part 1, 18.17.4.1). */
    private const LATER = 1462;

    /** The last day that has a date: 9999-12-31. */
    private const LAST_DAY = 2_958_466;

    private const SIDES = ['left' => 'l', 'center' => 'c', 'right' => 'r'];

    /** What a day looks like by itself needs no format. */
    private const PLAIN = ['', NumberFormat::FORMAT_GENERAL, '@', NumberFormat::FORMAT_DATE_YYYYMMDD, 'yyyy-mm-dd hh:mm:ss'];

    /**
     * @param  list<string>  $looks  style => look
     * @param  list<bool>  $days  style => whether its numbers are days
     */
    private function __construct(private array $looks, private array $days, private bool $since1904) {}

    /**
     * @param  string|null  $xml  of a workbook that has styles
     *
     * @throws Unreadable
     */
    public static function read(?string $xml, bool $since1904): self
    {
        if ($xml === null) {
            return new self([], [], $since1904);
        }
        $root = Xml::read($xml, 'styles');
        $codes = $fonts = $looks = $days = [];
        foreach (self::in($root, 'numFmts', 'numFmt') as $format) {
            $codes[(int) $format->getAttribute('numFmtId')] = $format->getAttribute('formatCode');
        }
        foreach (self::in($root, 'fonts', 'font') as $font) {
            $fonts[] = (self::isOn(Xml::child($font, 'b')) ? 'b' : '').(self::isOn(Xml::child($font, 'i')) ? 'i' : '');
        }
        foreach (self::in($root, 'cellXfs', 'xf') as $style) {
            $number = (int) $style->getAttribute('numFmtId');
            $code = $codes[$number] ?? NumberFormat::builtInFormatCode($number);
            $letters = ($fonts[(int) $style->getAttribute('fontId')] ?? '')
            .(self::SIDES[Xml::child($style, 'alignment')?->getAttribute('horizontal') ?? ''] ?? '');
            // The first style is what cells look like that nobody dressed.
            $look = $looks === [] ? '' : self::look($letters, $code);
            $looks[] = $look;
            $days[] = ! NumberLook::isTime($code) && Date::isDateTimeFormatCode($code);
        }

        return new self($looks, $days, $since1904);
    }

    public function of(int $style): string
    {
        return $this->looks[$style] ?? '';
    }

    /**
     * A number, or the day that it is in its style.
     *
     * @return int|float|list<string>
     */
    public function value(float $number, int $style): int|float|array
    {
        if (($this->days[$style] ?? false) && $number >= 0 && $number < self::LAST_DAY - ($this->since1904 ? self::LATER : 0)) {
            $date = Date::excelToDateTimeObject($number + ($this->since1904 ? self::LATER : 0));
            $day = ['d', $date->format(fmod($number, 1.0) === 0.0 ? 'Y-m-d' : 'Y-m-d\TH:i:s')];
            if (Cell::read($day) !== null) {
                return $day;
            }
        }

        return Cell::number($number);
    }

    private static function look(string $letters, string $code): string
    {
        $plain = in_array($code, self::PLAIN, true) || mb_strlen($code) > 60 || preg_match('/[\r\n]/', $code) === 1;

        return $plain ? $letters : "{$letters}|{$code}";
    }

    /** @return iterable<DOMElement> */
    private static function in(DOMElement $root, string $list, string $name): iterable
    {
        $found = Xml::child($root, $list);

        return $found === null ? [] : Xml::children($found, $name);
    }

    private static function isOn(?DOMElement $switch): bool
    {
        return $switch !== null && ! in_array($switch->getAttribute('val'), ['0', 'false', 'off'], true);
    }
}
