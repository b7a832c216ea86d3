<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use MistyAttic\Core\Formats\Xml;

/** Gathers how the cells of a workbook look, and writes it as styles (ECMA-376 part 1, 18.8). */
final class XlsxLooks
{
    /** The first number that a format of one's own may have. */
    private const FIRST = 164;

    private const FONTS = ['', 'b', 'i', 'bi'];

    private const SIDES = ['l' => 'left', 'c' => 'center', 'r' => 'right'];

    /** @var array<string, int> look => number of its style; the first is what nobody dressed */
    private array $styles = ['' => 0];

    /** @var array<string, int> */
    private array $formats = ['General' => 0];

    public function number(string $look): int
    {
        return $this->styles[$look] ??= count($this->styles);
    }

    public function xml(): string
    {
        $styles = '';
        foreach (array_keys($this->styles) as $look) {
            $styles .= $this->style((string) $look);
        }
        $formats = '';
        foreach (array_slice($this->formats, 1) as $code => $number) {
            $formats .= "<numFmt numFmtId=\"{$number}\" formatCode=\"".Xml::escape((string) $code).'"/>';
        }
        $fonts = implode(
            '',
            array_map(
                fn (string $font): string => '<font>'
                    .(str_contains($font, 'b') ? '<b/>' : '')
                    .(str_contains($font, 'i') ? '<i/>' : '')
                    .'<sz val="11"/><name val="Arial"/><family val="2"/></font>',
                self::FONTS,
            ),
        );

        return ($formats === '' ? '' : '<numFmts count="'.(count($this->formats) - 1)."\">{$formats}</numFmts>")
            .'<fonts count="'.count(self::FONTS)."\">{$fonts}</fonts>"
            .'<fills count="2"><fill><patternFill patternType="none"/></fill><fill><patternFill patternType="gray125"/></fill></fills>'
            .'<borders count="1"><border><left/><right/><top/><bottom/><diagonal/></border></borders>'
            .'<cellStyleXfs count="1"><xf numFmtId="0" fontId="0" fillId="0" borderId="0"/></cellStyleXfs>'
            .'<cellXfs count="'.count($this->styles)."\">{$styles}</cellXfs>"
            .'<cellStyles count="1"><cellStyle name="Normal" xfId="0" builtinId="0"/></cellStyles>';
    }

    private function style(string $look): string
    {
        [$letters, $code] = [...explode('|', $look, 2), ''];
        $font = (int) array_search(preg_replace('/[^bi]/', '', $letters), self::FONTS, true);
        $format = $code === '' ? 0 : $this->formats[$code] ??= self::FIRST - 1 + count($this->formats);
        $side = preg_match('/[lcr]/', $letters, $found) === 1 ? '<alignment horizontal="'.self::SIDES[$found[0]].'"/>' : '';

        return "<xf numFmtId=\"{$format}\" fontId=\"{$font}\" fillId=\"0\" borderId=\"0\" xfId=\"0\""
            .($format > 0 ? ' applyNumberFormat="1"' : '')
            .($font > 0 ? ' applyFont="1"' : '')
            .($side === '' ? '/>' : " applyAlignment=\"1\">{$side}</xf>");
    }
}
