<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Package;
use MistyAttic\Core\Formats\Xml;
use MistyAttic\Core\Kinds\Document\DocumentRole;

/** A text document by OASIS ODF 1.3, part 3: what holds it together, and how its blocks, words and pictures are written. */
final class OdtPackage
{
    public const MEDIA_TYPE = 'application/vnd.oasis.opendocument.text';

    private const SPACES = 'xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" xmlns:style="urn:oasis:names:tc:opendocument:xmlns:style:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0" xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0" xmlns:draw="urn:oasis:names:tc:opendocument:xmlns:drawing:1.0" xmlns:fo="urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0" xmlns:svg="urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0" xmlns:xlink="http://www.w3.org/1999/xlink" xmlns:dc="http://purl.org/dc/elements/1.1/"';

    private const MARKS = [
        'bold' => 'fo:font-weight="bold"',
        'italic' => 'fo:font-style="italic"',
        'strike' => 'style:text-line-through-style="solid"',
        'underline' => 'style:text-underline-style="solid"',
        'raised' => 'style:text-position="super 58%"',
        'lowered' => 'style:text-position="sub 58%"',
        'code' => 'style:font-name="monospace"',
    ];

    /** @var array<string, string> marks => name of the automatic style */
    private array $spans = [];

    /** @var array<string, array{string, string}> chunk => name in the package and bytes */
    private array $pictures = [];

    /** @param string $body blocks */
    public function bytes(string $title, string $body): string
    {
        $package = new Package;
        $package->add('mimetype', self::MEDIA_TYPE, false);
        $package->add(
            'content.xml',
            '<?xml version="1.0" encoding="UTF-8"?><office:document-content '
                .self::SPACES
                ." office:version=\"1.3\"><office:automatic-styles>{$this->ownStyles()}</office:automatic-styles><office:body><office:text>{$body}</office:text></office:body></office:document-content>",
        );
        $package->add(
            'styles.xml',
            '<?xml version="1.0" encoding="UTF-8"?><office:document-styles '
                .self::SPACES
                .' office:version="1.3"><office:styles>'
                .$this->namedStyles()
                .'</office:styles></office:document-styles>',
        );
        $package->add(
            'meta.xml',
            '<?xml version="1.0" encoding="UTF-8"?><office:document-meta '
                .self::SPACES
                .' office:version="1.3"><office:meta><dc:title>'
                .Xml::escape($title)
                .'</dc:title></office:meta></office:document-meta>',
        );
        $entries = '';
        foreach ($this->pictures as [$name, $bytes]) {
            $package->add($name, $bytes, false);
            $entries .= "<manifest:file-entry manifest:full-path=\"{$name}\" manifest:media-type=\"\"/>";
        }
        $package->add(
            'META-INF/manifest.xml',
            '<?xml version="1.0" encoding="UTF-8"?><manifest:manifest xmlns:manifest="urn:oasis:names:tc:opendocument:xmlns:manifest:1.0" manifest:version="1.3"><manifest:file-entry manifest:full-path="/" manifest:version="1.3" manifest:media-type="'
                .self::MEDIA_TYPE
                .'"/><manifest:file-entry manifest:full-path="content.xml" manifest:media-type="text/xml"/><manifest:file-entry manifest:full-path="styles.xml" manifest:media-type="text/xml"/><manifest:file-entry manifest:full-path="meta.xml" manifest:media-type="text/xml"/>'
                .$entries
                .'</manifest:manifest>',
        );

        return $package->bytes();
    }

    /** Of the marks that there are, and of lists. */
    private function ownStyles(): string
    {
        $styles = '';
        foreach ($this->spans as $marks => $name) {
            $parent = str_contains($marks, 'code') ? ' style:parent-style-name="Source_20_Text"' : '';
            $styles .= "<style:style style:name=\"{$name}\" style:family=\"text\"{$parent}><style:text-properties "
            .implode(' ', array_map(fn (string $mark) => self::MARKS[$mark], explode(' ', $marks)))
            .'/></style:style>';
        }
        foreach (['LB' => 'bullet text:bullet-char="•"', 'LN' => 'number style:num-format="1" style:num-suffix="."'] as $name => $level) {
            $levels = '';
            for ($depth = 1; $depth <= 10; $depth++) {
                $levels .= "<text:list-level-style-{$level} text:level=\"{$depth}\"/>";
            }
            $styles .= "<text:list-style style:name=\"{$name}\">{$levels}</text:list-style>";
        }

        return $styles;
    }

    private function namedStyles(): string
    {
        $styles
            = '<style:style style:name="Standard" style:family="paragraph"/><style:style style:name="Quotations" style:family="paragraph" style:parent-style-name="Standard"><style:paragraph-properties fo:margin-left="1cm"/></style:style><style:style style:name="Preformatted_20_Text" style:display-name="Preformatted Text" style:family="paragraph" style:parent-style-name="Standard"/><style:style style:name="Horizontal_20_Line" style:display-name="Horizontal Line" style:family="paragraph" style:parent-style-name="Standard"><style:paragraph-properties fo:border-bottom="0.5pt solid #808080"/></style:style><style:style style:name="Source_20_Text" style:display-name="Source Text" style:family="text"/>';
        for ($level = 1; $level <= 4; $level++) {
            $size = 20 - 2 * $level;
            $styles .= "<style:style style:name=\"Heading_20_{$level}\" style:display-name=\"Heading {$level}\" style:family=\"paragraph\" style:parent-style-name=\"Standard\" style:default-outline-level=\"{$level}\"><style:text-properties fo:font-size=\"{$size}pt\" fo:font-weight=\"bold\"/></style:style>";
        }

        return $styles;
    }

    /**
     * What is around the words of a block; of a picture, a table or a rule there are none.
     *
     * @param  Part|null  $before  the part that is before it
     * @param  array{int, bool}|null  $number  of a numbered item, and whether it begins
     * @return array{string, string}
     */
    public static function around(Part $part, ?Part $before, ?array $number): array
    {
        return match (DocumentRole::from($part->role)) {
            DocumentRole::Heading => [
                "<text:h text:style-name=\"Heading_20_{$part->int('level')}\" text:outline-level=\"{$part->int('level')}\">",
                '</text:h>',
            ],
            DocumentRole::Quote => ['<text:p text:style-name="Quotations">', '</text:p>'],
            DocumentRole::Code => ['<text:p text:style-name="Preformatted_20_Text">', '</text:p>'],
            DocumentRole::ListItem => self::item($part, $before, $number),
            DocumentRole::Rule => ['<text:p text:style-name="Horizontal_20_Line">', '</text:p>'],
            default => ['<text:p text:style-name="Standard">', '</text:p>'],
        };
    }

    /**
     * Each item is a list of its own that goes on with the one before: depth is how many lists are around it.
     *
     * @param  array{int, bool}|null  $number
     * @return array{string, string}
     */
    private static function item(Part $part, ?Part $before, ?array $number): array
    {
        $style = $part->string('style') === 'number' ? 'LN' : 'LB';
        $continued = $before?->role === DocumentRole::ListItem->value ? ' text:continue-numbering="true"' : '';
        $item = $number !== null && $number[1] ? "<text:list-item text:start-value=\"{$number[0]}\">" : '<text:list-item>';

        return [
            "<text:list text:style-name=\"{$style}\"{$continued}>"
            .str_repeat('<text:list-item><text:list>', $part->depth)
            ."{$item}<text:p>",
            '</text:p>'.str_repeat('</text:list-item></text:list>', $part->depth + 1),
        ];
    }

    /** What is before the words of an item that can be ticked. */
    public static function box(Part $part): string
    {
        return $part->role === DocumentRole::ListItem->value && $part->string('style') === 'task'
            ? (($part->fields['done'] ?? false) === true
                ? '☑ '
                : '☐ ')
            : '';
    }

    /** @param list<array{bool, list<string>}> $rows whether each is a heading, and what is in its cells */
    public static function table(array $rows): string
    {
        $xml = ['', ''];
        $columns = 0;
        $head = true;
        foreach ($rows as [$isHead, $cells]) {
            $columns = max($columns, count($cells));
            $head = $head && $isHead;
            $xml[$head ? 0 : 1] .= '<table:table-row>'
            .implode(
                '',
                array_map(
                    fn (string $cell) => "<table:table-cell office:value-type=\"string\"><text:p>{$cell}</text:p></table:table-cell>",
                    $cells,
                ),
            )
            .'</table:table-row>';
        }

        return "<table:table><table:table-column table:number-columns-repeated=\"{$columns}\"/>"
            .($xml[0] === '' ? '' : "<table:table-header-rows>{$xml[0]}</table:table-header-rows>")
            .$xml[1]
            .'</table:table>';
    }

    /** @param \Closure(string): ?string $picture */
    public function picture(Part $part, \Closure $picture): string
    {
        $address = $picture($part->string('chunk')) ?? '';
        $bytes = preg_match('~^data:image/([a-z]+)[^,]*;base64,(.+)$~s', $address, $found) === 1 ? (string) base64_decode($found[2]) : null;
        if ($bytes !== null) {
            $this->pictures[$part->string('chunk')] = ["Pictures/{$part->string('chunk')}.{$found[1]}", $bytes];
            $address = $this->pictures[$part->string('chunk')][0];
        }
        $width = number_format(min(16, max(1, $part->int('width') / 38)), 2, '.', '');
        $height = number_format(
            (min(16, max(1, $part->int('width') / 38)) * max(1, $part->int('height'))) / max(1, $part->int('width')),
            2,
            '.',
            '',
        );

        return "<text:p><draw:frame text:anchor-type=\"as-char\" svg:width=\"{$width}cm\" svg:height=\"{$height}cm\"><draw:image xlink:href=\""
            .Xml::escape($address)
            .'" xlink:type="simple"/><svg:title>'
            .Xml::escape($part->string('alt'))
            .'</svg:title></draw:frame></text:p>';
    }

    public function inline(RichText $text): string
    {
        $xml = '';
        foreach ($text->runs as $run) {
            $piece = Xml::escape($run->text);
            $piece = (string) preg_replace_callback(
                '/ {2,}|^ | $/',
                fn (array $spaces) => '<text:s text:c="'.strlen($spaces[0]).'"/>',
                $piece,
            );
            $piece = str_replace(["\n", "\t"], ['<text:line-break/>', '<text:tab/>'], $piece);
            $marks = implode(' ', array_keys(array_intersect_key(self::MARKS, $run->marks)));
            if ($marks !== '') {
                $name = $this->spans[$marks] ??= 'T'.(count($this->spans) + 1);
                $piece = "<text:span text:style-name=\"{$name}\">{$piece}</text:span>";
            }
            $xml .= isset($run->marks['link'])
                ? '<text:a xlink:type="simple" xlink:href="'.Xml::escape((string) $run->marks['link'])."\">{$piece}</text:a>"
                : $piece;
        }

        return $xml;
    }
}
