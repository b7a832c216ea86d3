<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\Package;
use MistyAttic\Core\Formats\Xml;
use MistyAttic\Core\Kinds\Numbering;

/**
 * What of a text document by ECMA-376 is around its blocks: the package with its relations, styles, lists, pictures and comments, and how a
 * run looks.
 */
final class DocxPackage
{
    public const MEDIA_TYPE = 'application/vnd.openxmlformats-officedocument.wordprocessingml.document';

    /** Of a page between its margins, in twentieths of a point. */
    public const TEXT_WIDTH = 9_000;

    private const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';

    private const SPACES = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships" xmlns:wp="http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing" xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main" xmlns:pic="http://schemas.openxmlformats.org/drawingml/2006/picture"';

    private const RELATION = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships/';

    /** English metric units of a pixel at 96 to the inch. */
    private const EMU = 9525;

    /** @var list<array{int, int}> lists of numbers, each by its depth and its first number; the first is the third list of the package */
    private array $lists = [];

    /** @var array<string, int> name of a list of numbers => its number in the package */
    private array $open = [];

    /** @var list<string> comments, by their ids */
    private array $comments = [];

    /** @var array<string, string> relation id => XML of the relation */
    private array $relations = [];

    /** @var array<string, string> name in the package => bytes */
    private array $pictures = [];

    public function __construct()
    {
        $this->relation('styles', 'styles.xml');
        $this->relation('numbering', 'numbering.xml');
    }

    /** @param string $body blocks */
    public function bytes(string $title, string $body): string
    {
        if ($this->comments !== []) {
            $this->relation('comments', 'comments.xml');
        }
        $package = new Package;
        $package->add('[Content_Types].xml', $this->types());
        $package->add(
            '_rels/.rels',
            self::HEAD
                .'<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="'
                .self::RELATION
                .'officeDocument" Target="word/document.xml"/><Relationship Id="rId2" Type="http://schemas.openxmlformats.org/package/2006/relationships/metadata/core-properties" Target="docProps/core.xml"/></Relationships>',
        );
        $package->add(
            'docProps/core.xml',
            self::HEAD
                .'<cp:coreProperties xmlns:cp="http://schemas.openxmlformats.org/package/2006/metadata/core-properties" xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:title>'
                .Xml::escape($title)
                .'</dc:title></cp:coreProperties>',
        );
        $package->add(
            'word/document.xml',
            self::HEAD.'<w:document '.self::SPACES."><w:body>{$body}<w:sectPr/></w:body></w:document>",
        );
        $package->add('word/styles.xml', self::HEAD.'<w:styles '.self::SPACES.'>'.$this->styles().'</w:styles>');
        $package->add('word/numbering.xml', self::HEAD.'<w:numbering '.self::SPACES.'>'.$this->numbering().'</w:numbering>');
        $package->add(
            'word/_rels/document.xml.rels',
            self::HEAD
                .'<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">'
                .implode('', $this->relations)
                .'</Relationships>',
        );
        $this->comments === []
            || $package->add(
                'word/comments.xml',
                self::HEAD.'<w:comments '.self::SPACES.'>'.implode('', $this->comments).'</w:comments>',
            );
        foreach ($this->pictures as $name => $bytes) {
            $package->add("word/{$name}", $bytes, false);
        }

        return $package->bytes();
    }

    private function types(): string
    {
        $of = fn (string $name, string $type): string => "<Override PartName=\"/word/{$name}.xml\""
            ." ContentType=\"application/vnd.openxmlformats-officedocument.wordprocessingml.{$type}+xml\"/>";

        return self::HEAD
            .'<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Default Extension="png" ContentType="image/png"/><Default Extension="jpeg" ContentType="image/jpeg"/><Default Extension="gif" ContentType="image/gif"/><Default Extension="webp" ContentType="image/webp"/>'
            .$of('document', 'document.main')
            .$of('styles', 'styles')
            .$of('numbering', 'numbering')
            .($this->comments === [] ? '' : $of('comments', 'comments'))
            .'<Override PartName="/docProps/core.xml" ContentType="application/vnd.openxmlformats-package.core-properties+xml"/></Types>';
    }

    public function relation(string $type, string $target, bool $outside = false): string
    {
        $id = 'rId'.(count($this->relations) + 1);
        $this->relations[$id] = "<Relationship Id=\"{$id}\" Type=\""
        .self::RELATION
        ."{$type}\" Target=\""
        .Xml::escape($target)
        .'"'
        .($outside ? ' TargetMode="External"' : '')
        .'/>';

        return $id;
    }

    private function styles(): string
    {
        $xml
            = '<w:style w:type="paragraph" w:default="1" w:styleId="Normal"><w:name w:val="Normal"/></w:style><w:style w:type="paragraph" w:styleId="Quote"><w:name w:val="Quote"/><w:basedOn w:val="Normal"/><w:pPr><w:ind w:left="567"/></w:pPr></w:style><w:style w:type="paragraph" w:styleId="Code"><w:name w:val="Code"/><w:basedOn w:val="Normal"/><w:rPr><w:rFonts w:ascii="monospace" w:hAnsi="monospace"/></w:rPr></w:style><w:style w:type="character" w:styleId="CodeText"><w:name w:val="Code Text"/><w:rPr><w:rFonts w:ascii="monospace" w:hAnsi="monospace"/></w:rPr></w:style>';
        for ($level = 1; $level <= 4; $level++) {
            $outline = $level - 1;
            $size = 40 - 4 * $level;
            $xml .= "<w:style w:type=\"paragraph\" w:styleId=\"Heading{$level}\"><w:name w:val=\"heading {$level}\"/><w:basedOn w:val=\"Normal\"/><w:pPr><w:outlineLvl w:val=\"{$outline}\"/></w:pPr><w:rPr><w:b/><w:sz w:val=\"{$size}\"/></w:rPr></w:style>";
        }

        return $xml;
    }

    private function numbering(): string
    {
        $xml = '';
        foreach (['1' => ['bullet', '•'], '2' => ['decimal', '%d.']] as $id => [$format, $text]) {
            $xml .= "<w:abstractNum w:abstractNumId=\"{$id}\">";
            for ($level = 0; $level < 9; $level++) {
                $shown = $format === 'decimal' ? '%'.($level + 1).'.' : $text;
                $left = 360 * ($level + 1);
                $xml .= "<w:lvl w:ilvl=\"{$level}\"><w:start w:val=\"1\"/><w:numFmt w:val=\"{$format}\"/><w:lvlText w:val=\"{$shown}\"/><w:pPr><w:ind w:left=\"{$left}\" w:hanging=\"360\"/></w:pPr></w:lvl>";
            }
            $xml .= '</w:abstractNum>';
        }

        $xml .= '<w:num w:numId="1"><w:abstractNumId w:val="1"/></w:num><w:num w:numId="2"><w:abstractNumId w:val="2"/></w:num>';
        foreach ($this->lists as $at => [$depth, $start]) {
            $xml .= '<w:num w:numId="'
            .($at + 3)
            ."\"><w:abstractNumId w:val=\"2\"/><w:lvlOverride w:ilvl=\"{$depth}\"><w:startOverride w:val=\"{$start}\"/></w:lvlOverride></w:num>";
        }

        return $xml;
    }

    /**
     * The list that an item belongs to.
     *
     * @param  array{string, int}|null  $list  of a numbered one, see {@see Numbering::lists}
     */
    public function list(Part $part, ?array $list): string
    {
        $depth = min(8, $part->depth);
        if ($list !== null && ! isset($this->open[$list[0]])) {
            // Every list of numbers is one of its own, or it would go on with the one before.
            $this->lists[] = [$depth, $list[1]];
            $this->open[$list[0]] = count($this->lists) + 2;
        }
        $id = $list === null ? 1 : $this->open[$list[0]];

        return "<w:numPr><w:ilvl w:val=\"{$depth}\"/><w:numId w:val=\"{$id}\"/></w:numPr>";
    }

    /** Keeps a comment, and gives its id. */
    public function comment(string $author, string $initials, string $at, string $text): int
    {
        $id = count($this->comments);
        $paragraphs = implode(
            '',
            array_map(
                fn (string $line): string => '<w:p><w:r><w:t xml:space="preserve">'.Xml::escape($line).'</w:t></w:r></w:p>',
                explode("\n", $text),
            ),
        );
        $this->comments[] = "<w:comment w:id=\"{$id}\" w:author=\""
        .Xml::escape($author)
        .'" w:initials="'
        .Xml::escape($initials)
        ."\" w:date=\"{$at}\">{$paragraphs}</w:comment>";

        return $id;
    }

    /** How a run looks: the inside of its properties. */
    public static function look(Run $run): string
    {
        return (isset($run->marks['code']) ? '<w:rStyle w:val="CodeText"/>' : '')
            .(isset($run->marks['bold']) ? '<w:b/>' : '')
            .(isset($run->marks['italic']) ? '<w:i/>' : '')
            .(isset($run->marks['strike']) ? '<w:strike/>' : '')
            .(isset($run->marks['underline']) ? '<w:u w:val="single"/>' : '')
            .(isset($run->marks['raised'])
                ? '<w:vertAlign w:val="superscript"/>'
                : (isset($run->marks['lowered'])
                    ? '<w:vertAlign w:val="subscript"/>'
                    : ''));
    }

    /** @param string $properties the inside of them */
    public static function run(string $text, string $properties, bool $isDeleted = false): string
    {
        $t = $isDeleted ? 'w:delText' : 'w:t';
        $inner = preg_replace(
            ['/\n/', '/\t/'],
            ["</{$t}><w:br/><{$t} xml:space=\"preserve\">", "</{$t}><w:tab/><{$t} xml:space=\"preserve\">"],
            Xml::escape($text),
        );

        return '<w:r>'.($properties === '' ? '' : "<w:rPr>{$properties}</w:rPr>")."<{$t} xml:space=\"preserve\">{$inner}</{$t}></w:r>";
    }

    /** A run within what it leads to, if anything. */
    public function linked(Run $run, string $piece): string
    {
        $link = (string) ($run->marks['link'] ?? '');

        return match (true) {
            $link === '' => $piece,
            $link[0] === '#' => '<w:hyperlink w:anchor="'.Xml::escape(substr($link, 1))."\">{$piece}</w:hyperlink>",
            default => "<w:hyperlink r:id=\"{$this->relation('hyperlink', $link, true)}\">{$piece}</w:hyperlink>",
        };
    }

    /** @param \Closure(string): ?string $picture */
    public function picture(Part $part, \Closure $picture): string
    {
        $address = $picture($part->string('chunk')) ?? '';
        $alt = Xml::escape($part->string('alt'));
        if (preg_match('~^data:image/([a-z]+)[^,]*;base64,(.+)$~s', $address, $found) === 1) {
            $name = "media/{$part->string('chunk')}.{$found[1]}";
            $this->pictures[$name] = (string) base64_decode($found[2]);
            $link = "r:embed=\"{$this->relation('image', $name)}\"";
        } else {
            $link = "r:link=\"{$this->relation('image', $address, true)}\"";
        }
        $width = max(1, min(600, $part->int('width'))) * self::EMU;
        $height = (int) ($width * max(1, $part->int('height')) / max(1, $part->int('width')));
        $id = count($this->relations);

        return "<w:r><w:drawing><wp:inline><wp:extent cx=\"{$width}\" cy=\"{$height}\"/><wp:docPr id=\"{$id}\" name=\"Picture {$id}\" descr=\"{$alt}\"/><a:graphic><a:graphicData uri=\"http://schemas.openxmlformats.org/drawingml/2006/picture\"><pic:pic><pic:nvPicPr><pic:cNvPr id=\"{$id}\" name=\"Picture {$id}\"/><pic:cNvPicPr/></pic:nvPicPr><pic:blipFill><a:blip {$link}/><a:stretch><a:fillRect/></a:stretch></pic:blipFill><pic:spPr><a:xfrm><a:off x=\"0\" y=\"0\"/><a:ext cx=\"{$width}\" cy=\"{$height}\"/></a:xfrm><a:prstGeom prst=\"rect\"><a:avLst/></a:prstGeom></pic:spPr></pic:pic></a:graphicData></a:graphic></wp:inline></w:drawing></w:r>";
    }
}
