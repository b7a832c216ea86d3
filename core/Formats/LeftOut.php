<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

/**
 * What a file holds that its reader leaves out, counted by the names of its elements (ECMA-376 part 1; ODF 1.3 part 3): said before
 * anything is made of it. Prefixes may be any; the few elements that share a name across vocabularies are none of these.
 */
final class LeftOut
{
    private const DOCX = [
        'footnotes' => '(?:foot|end)noteReference', 'equations' => 'oMath', 'merged' => 'vMerge(?!\w)(?![^>]*restart)',
        'boxes' => 'txbxContent', 'charts' => 'chart(?=[\s/>])',
    ];

    private const ODT = [
        'footnotes' => 'note(?=[\s/>])', 'equations' => 'object(?=[\s/>])', 'merged' => 'covered-table-cell', 'boxes' => 'text-box',
    ];

    private const HTML = [
        'embedded' => '(?:iframe|video|audio|object|embed|canvas|svg|math)(?=[\s/>])',
        'merged' => '(?:td|th)\b[^>]*rowspan',
    ];

    private const SHEET = [
        'merged' => 'mergeCell(?=[\s/>])',
        'conditional' => 'conditionalFormatting(?=[\s/>])',
        'validation' => 'dataValidation(?=[\s/>])',
        'arrays' => 'f\b[^>]*t="array"',
    ];

    private const ODS = [
        'charts' => 'object(?=[\s/>])',
        'merged' => 'covered-table-cell',
        'arrays' => 'table-cell\b[^>]*number-matrix-columns-spanned',
    ];

    /**
     * @param  list<string>  $functions  that formulas may call here
     * @return array<string, int> what, in the order in which it is said: footnotes, equations, merged, boxes, charts, embedded, hidden,
     *     arrays, conditional, validation,
     *                            unknown functions as `unknown:NAME`
     */
    public static function of(FileFormat $format, string $bytes, FormatLimits $limits, array $functions): array
    {
        $counts = match ($format) {
            FileFormat::Docx => self::counted(self::DOCX, self::part($bytes, $limits, 'word/document.xml')),
            FileFormat::Odt => self::counted(self::ODT, self::part($bytes, $limits, 'content.xml')),
            FileFormat::Html => self::counted(self::HTML, $bytes),
            FileFormat::Ods => self::ods($bytes, $limits, $functions),
            FileFormat::Xlsx => self::xlsx($bytes, $limits, $functions),
            default => [],
        };

        return array_filter($counts, fn (int $count) => $count > 0);
    }

    private static function part(string $bytes, FormatLimits $limits, string $name): string
    {
        return Archive::of($bytes, $limits)->fileIfThere($name, $limits->unpacked) ?? '';
    }

    /**
     * @param  array<string, string>  $names  code => pattern of an element
     * @return array<string, int>
     */
    private static function counted(array $names, string $xml): array
    {
        return array_map(fn (string $pattern) => (int) preg_match_all("~<(?:\\w+:)?{$pattern}~i", $xml), $names);
    }

    /**
     * @param  list<string>  $functions
     * @return array<string, int>
     */
    private static function xlsx(string $bytes, FormatLimits $limits, array $functions): array
    {
        $archive = Archive::of($bytes, $limits);
        $counts = array_fill_keys(['merged', 'charts', 'hidden', 'arrays', 'conditional', 'validation'], 0);
        $counts['hidden'] = (int) preg_match_all(
            '~<(?:\w+:)?sheet\b[^>]*state="(?:hidden|veryHidden)"~',
            $archive->fileIfThere('xl/workbook.xml', $limits->unpacked) ?? '',
        );
        $unknown = [];
        foreach ($archive->names() as $name) {
            if (preg_match('~^xl/charts/chart\d*\.xml$~', $name) === 1) {
                $counts['charts']++;
            } elseif (preg_match('~^xl/worksheets/sheet\d*\.xml$~', $name) === 1) {
                $xml = (string) $archive->fileIfThere($name, $limits->unpacked);
                foreach (self::counted(self::SHEET, $xml) as $code => $count) {
                    $counts[$code] += $count;
                }
                preg_match_all('~<(?:\w+:)?f\b[^>]*>([^<]+)</~', $xml, $formulas);
                self::unknown($formulas[1], $functions, $unknown);
            }
        }

        return [...$counts, ...$unknown];
    }

    /**
     * @param  list<string>  $functions
     * @return array<string, int>
     */
    private static function ods(string $bytes, FormatLimits $limits, array $functions): array
    {
        $xml = self::part($bytes, $limits, 'content.xml');
        $unknown = [];
        preg_match_all('~\bformula="(?:of:|oooc:)?=([^"]+)"~', $xml, $formulas);
        self::unknown($formulas[1], $functions, $unknown);

        return [
            ...self::counted(self::ODS, $xml),
            'hidden' => (int) preg_match_all('~<(?:\w+:)?table-properties\b[^>]*display="false"~', $xml),
            ...$unknown,
        ];
    }

    /**
     * Functions that formulas call and that are not here.
     *
     * @param  list<string>  $formulas  as XML has them
     * @param  list<string>  $functions
     * @param  array<string, int>  $unknown
     */
    private static function unknown(array $formulas, array $functions, array &$unknown): void
    {
        $known = array_flip($functions);
        foreach ($formulas as $formula) {
            preg_match_all(
                '/(?:_xlfn\.|_xlws\.|COM\.\w+\.)*([A-Z][A-Z0-9.]*)\(/i',
                (string) preg_replace('/"[^"]*"|\'[^\']*\'/', '', html_entity_decode($formula, ENT_QUOTES)),
                $found,
            );
            foreach (array_unique(array_map(strtoupper(...), $found[1])) as $name) {
                if (! isset($known[$name])) {
                    $unknown["unknown:{$name}"] = ($unknown["unknown:{$name}"] ?? 0) + 1;
                }
            }
        }
    }
}
