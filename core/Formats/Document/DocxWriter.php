<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\Package;
use MistyAttic\Core\Formats\Writer;
use MistyAttic\Core\Formats\Xml;
use MistyAttic\Core\Kinds\Document\DocumentRole;
use MistyAttic\Core\Kinds\Numbering;

/** A document as a text document by ECMA-376 (WordprocessingML, part 1 §17, in the package of part 2). */
final class DocxWriter implements Writer
{
    /** Of a page between its margins, in twentieths of a point. */
    private const TEXT_WIDTH = 9_000;

    private const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';

    private const SPACES = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships" xmlns:wp="http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing" xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main" xmlns:pic="http://schemas.openxmlformats.org/drawingml/2006/picture"';

    private const RELATION = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships/';

    /** English metric units of a pixel at 96 to the inch. */
    private const EMU = 9525;

    /** @var list<array{int, int}> lists of numbers, each by its depth and its first number; the first is the third list of the package */
    private array $lists = [];

    /** @var array<int, int> depth => the list of numbers that goes on there */
    private array $open = [];

    /** @var array<string, array{int, bool}> numbered item => its number, and whether it begins */
    private array $numbers = [];

    /** @var array<string, string> relation id => XML of the relation */
    private array $relations = [];

    /** @var array<string, string> name in the package => bytes */
    private array $pictures = [];

    public function mediaType(): string
    {
        return 'application/vnd.openxmlformats-officedocument.wordprocessingml.document';
    }

    public function write(string $title, PartTree $tree, \Closure $picture): string
    {
        return (new self)->package($title, $tree, $picture);
    }

    /** @param \Closure(string): ?string $picture */
    private function package(string $title, PartTree $tree, \Closure $picture): string
    {
        $this->relation('styles', 'styles.xml');
        $this->relation('numbering', 'numbering.xml');
        $body = $this->blocks($tree, $picture);
        $package = new Package;
        $package->add('[Content_Types].xml', self::HEAD.'<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Default Extension="png" ContentType="image/png"/><Default Extension="jpeg" ContentType="image/jpeg"/><Default Extension="gif" ContentType="image/gif"/><Default Extension="webp" ContentType="image/webp"/><Override PartName="/word/document.xml" ContentType="'.$this->mediaType().'.main+xml"/><Override PartName="/word/styles.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.styles+xml"/><Override PartName="/word/numbering.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.numbering+xml"/><Override PartName="/docProps/core.xml" ContentType="application/vnd.openxmlformats-package.core-properties+xml"/></Types>');
        $package->add('_rels/.rels', self::HEAD.'<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="'.self::RELATION.'officeDocument" Target="word/document.xml"/><Relationship Id="rId2" Type="http://schemas.openxmlformats.org/package/2006/relationships/metadata/core-properties" Target="docProps/core.xml"/></Relationships>');
        $package->add('docProps/core.xml', self::HEAD.'<cp:coreProperties xmlns:cp="http://schemas.openxmlformats.org/package/2006/metadata/core-properties" xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:title>'.Xml::escape($title).'</dc:title></cp:coreProperties>');
        $package->add('word/document.xml', self::HEAD.'<w:document '.self::SPACES."><w:body>{$body}<w:sectPr/></w:body></w:document>");
        $package->add('word/styles.xml', self::HEAD.'<w:styles '.self::SPACES.'>'.$this->styles().'</w:styles>');
        $package->add('word/numbering.xml', self::HEAD.'<w:numbering '.self::SPACES.'>'.$this->numbering().'</w:numbering>');
        $package->add('word/_rels/document.xml.rels', self::HEAD.'<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">'.implode('', $this->relations).'</Relationships>');
        foreach ($this->pictures as $name => $bytes) {
            $package->add("word/{$name}", $bytes, false);
        }

        return $package->bytes();
    }

    private function relation(string $type, string $target, bool $outside = false): string
    {
        $id = 'rId'.(count($this->relations) + 1);
        $this->relations[$id] = "<Relationship Id=\"{$id}\" Type=\"".self::RELATION."{$type}\" Target=\"".Xml::escape($target).'"'.($outside ? ' TargetMode="External"' : '').'/>';

        return $id;
    }

    private function styles(): string
    {
        $xml = '<w:style w:type="paragraph" w:default="1" w:styleId="Normal"><w:name w:val="Normal"/></w:style><w:style w:type="paragraph" w:styleId="Quote"><w:name w:val="Quote"/><w:basedOn w:val="Normal"/><w:pPr><w:ind w:left="567"/></w:pPr></w:style><w:style w:type="paragraph" w:styleId="Code"><w:name w:val="Code"/><w:basedOn w:val="Normal"/><w:rPr><w:rFonts w:ascii="monospace" w:hAnsi="monospace"/></w:rPr></w:style><w:style w:type="character" w:styleId="CodeText"><w:name w:val="Code Text"/><w:rPr><w:rFonts w:ascii="monospace" w:hAnsi="monospace"/></w:rPr></w:style>';
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
            $xml .= '<w:num w:numId="'.($at + 3)."\"><w:abstractNumId w:val=\"2\"/><w:lvlOverride w:ilvl=\"{$depth}\"><w:startOverride w:val=\"{$start}\"/></w:lvlOverride></w:num>";
        }

        return $xml;
    }

    /** @param \Closure(string): ?string $picture */
    private function blocks(PartTree $tree, \Closure $picture): string
    {
        $xml = '';
        $this->numbers = Numbering::of($tree);
        foreach ($tree->parts as $part) {
            $role = DocumentRole::from($part->role);
            $xml .= match ($role) {
                DocumentRole::Row, DocumentRole::Cell => '',
                DocumentRole::Heading => $this->paragraph("<w:pStyle w:val=\"Heading{$part->int('level')}\"/>", $part->richText()),
                DocumentRole::Quote => $this->paragraph('<w:pStyle w:val="Quote"/>', $part->richText()),
                DocumentRole::Code => $this->paragraph('<w:pStyle w:val="Code"/>', $part->richText()),
                DocumentRole::ListItem => $this->item($part),
                DocumentRole::Table => $this->table($tree, $part),
                DocumentRole::Picture => $this->picture($part, $picture),
                DocumentRole::Rule => '<w:p><w:pPr><w:pBdr><w:bottom w:val="single" w:sz="6" w:space="1" w:color="808080"/></w:pBdr></w:pPr></w:p>',
                default => $this->paragraph('', $part->richText()),
            };
        }

        return $xml;
    }

    private function paragraph(string $properties, RichText $text): string
    {
        return '<w:p>'.($properties === '' ? '' : "<w:pPr>{$properties}</w:pPr>").$this->inline($text).'</w:p>';
    }

    private function item(Part $part): string
    {
        $box = $part->string('style') === 'task' ? (($part->fields['done'] ?? false) === true ? '☑ ' : '☐ ') : '';
        $depth = min(8, $part->depth);
        [$number, $begins] = $this->numbers[$part->id] ?? [0, false];
        if ($begins) {
            // Every list of numbers is one of its own, or it would go on with the one before.
            $this->lists[] = [$depth, $number];
            $this->open[$part->depth] = count($this->lists) + 2;
        }
        $list = isset($this->numbers[$part->id]) ? $this->open[$part->depth] ?? 2 : 1;

        return $this->paragraph("<w:numPr><w:ilvl w:val=\"{$depth}\"/><w:numId w:val=\"{$list}\"/></w:numPr>", new RichText([new Run($box), ...$part->richText()->runs]));
    }

    private function table(PartTree $tree, Part $table): string
    {
        $rows = '';
        $head = true;
        $width = 0;
        foreach ($tree->children()[$table->id] ?? [] as $row) {
            $cells = $tree->children()[$row] ?? [];
            $width = max($width, count($cells));
            $head = $head && $cells !== [] && array_filter($cells, fn (string $id) => ($tree->get($id)->fields['head'] ?? false) !== true) === [];
            $rows .= '<w:tr>'.($head ? '<w:trPr><w:tblHeader/></w:trPr>' : '').implode('', array_map(fn (string $id) => "<w:tc>{$this->paragraph('', $tree->get($id)->richText())}</w:tc>", $cells)).'</w:tr>';
        }

        // Without a grid strict readers see no table at all (ECMA-376 part 1, 17.4.48).
        $grid = '<w:tblGrid>'.str_repeat('<w:gridCol w:w="'.intdiv(self::TEXT_WIDTH, max(1, $width)).'"/>', $width).'</w:tblGrid>';

        return "<w:tbl><w:tblPr><w:tblW w:w=\"0\" w:type=\"auto\"/><w:tblBorders><w:top w:val=\"single\" w:sz=\"4\"/><w:left w:val=\"single\" w:sz=\"4\"/><w:bottom w:val=\"single\" w:sz=\"4\"/><w:right w:val=\"single\" w:sz=\"4\"/><w:insideH w:val=\"single\" w:sz=\"4\"/><w:insideV w:val=\"single\" w:sz=\"4\"/></w:tblBorders></w:tblPr>{$grid}{$rows}</w:tbl>";
    }

    /** @param \Closure(string): ?string $picture */
    private function picture(Part $part, \Closure $picture): string
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

        return "<w:p><w:r><w:drawing><wp:inline><wp:extent cx=\"{$width}\" cy=\"{$height}\"/><wp:docPr id=\"{$id}\" name=\"Picture {$id}\" descr=\"{$alt}\"/><a:graphic><a:graphicData uri=\"http://schemas.openxmlformats.org/drawingml/2006/picture\"><pic:pic><pic:nvPicPr><pic:cNvPr id=\"{$id}\" name=\"Picture {$id}\"/><pic:cNvPicPr/></pic:nvPicPr><pic:blipFill><a:blip {$link}/><a:stretch><a:fillRect/></a:stretch></pic:blipFill><pic:spPr><a:xfrm><a:off x=\"0\" y=\"0\"/><a:ext cx=\"{$width}\" cy=\"{$height}\"/></a:xfrm><a:prstGeom prst=\"rect\"><a:avLst/></a:prstGeom></pic:spPr></pic:pic></a:graphicData></a:graphic></wp:inline></w:drawing></w:r></w:p>";
    }

    private function inline(RichText $text): string
    {
        $xml = '';
        foreach ($text->runs as $run) {
            $properties = (isset($run->marks['code']) ? '<w:rStyle w:val="CodeText"/>' : '').(isset($run->marks['bold']) ? '<w:b/>' : '').(isset($run->marks['italic']) ? '<w:i/>' : '').(isset($run->marks['strike']) ? '<w:strike/>' : '').(isset($run->marks['underline']) ? '<w:u w:val="single"/>' : '').(isset($run->marks['raised']) ? '<w:vertAlign w:val="superscript"/>' : (isset($run->marks['lowered']) ? '<w:vertAlign w:val="subscript"/>' : ''));
            $inner = preg_replace(['/\n/', '/\t/'], ['</w:t><w:br/><w:t xml:space="preserve">', '</w:t><w:tab/><w:t xml:space="preserve">'], Xml::escape($run->text));
            $piece = '<w:r>'.($properties === '' ? '' : "<w:rPr>{$properties}</w:rPr>")."<w:t xml:space=\"preserve\">{$inner}</w:t></w:r>";
            $link = (string) ($run->marks['link'] ?? '');
            $xml .= match (true) {
                $link === '' => $piece,
                $link[0] === '#' => '<w:hyperlink w:anchor="'.Xml::escape(substr($link, 1))."\">{$piece}</w:hyperlink>",
                default => "<w:hyperlink r:id=\"{$this->relation('hyperlink', $link, true)}\">{$piece}</w:hyperlink>",
            };
        }

        return $xml;
    }
}
