<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\Writer;
use MistyAttic\Core\Kinds\Document\DocumentRole;
use MistyAttic\Core\Kinds\Numbering;

/** A document as a text document by ECMA-376 (WordprocessingML, part 1 §17, in the package of part 2). */
final class DocxWriter implements Writer
{
    private DocxPackage $package;

    public function mediaType(): string
    {
        return DocxPackage::MEDIA_TYPE;
    }

    public function write(string $title, PartTree $tree, \Closure $picture): string
    {
        $writer = new self;
        $writer->package = new DocxPackage;

        return $writer->package->bytes($title, $writer->blocks($tree, $picture));
    }

    /** The properties of a paragraph by what it is: the inside of them, without the list of an item. */
    public static function style(Part $part): string
    {
        return match (DocumentRole::from($part->role)) {
            DocumentRole::Heading => "<w:pStyle w:val=\"Heading{$part->int('level')}\"/>",
            DocumentRole::Quote => '<w:pStyle w:val="Quote"/>',
            DocumentRole::Code => '<w:pStyle w:val="Code"/>',
            DocumentRole::Rule => '<w:pBdr><w:bottom w:val="single" w:sz="6" w:space="1" w:color="808080"/></w:pBdr>',
            default => '',
        };
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

    /** @param string $rows with their cells */
    public static function tableOf(string $rows, int $width): string
    {
        // Without a grid strict readers see no table at all (ECMA-376 part 1, 17.4.48).
        $grid = '<w:tblGrid>'.str_repeat('<w:gridCol w:w="'.intdiv(DocxPackage::TEXT_WIDTH, max(1, $width)).'"/>', $width).'</w:tblGrid>';

        return "<w:tbl><w:tblPr><w:tblW w:w=\"0\" w:type=\"auto\"/><w:tblBorders><w:top w:val=\"single\" w:sz=\"4\"/><w:left w:val=\"single\" w:sz=\"4\"/><w:bottom w:val=\"single\" w:sz=\"4\"/><w:right w:val=\"single\" w:sz=\"4\"/><w:insideH w:val=\"single\" w:sz=\"4\"/><w:insideV w:val=\"single\" w:sz=\"4\"/></w:tblBorders></w:tblPr>{$grid}{$rows}</w:tbl>";
    }

    /** @param \Closure(string): ?string $picture */
    private function blocks(PartTree $tree, \Closure $picture): string
    {
        $xml = '';
        $lists = Numbering::lists($tree);
        foreach ($tree->parts as $part) {
            $xml .= match (DocumentRole::from($part->role)) {
                DocumentRole::Row, DocumentRole::Cell => '',
                DocumentRole::ListItem => $this->paragraph(
                    $this->package->list($part, $lists[$part->id] ?? null),
                    new RichText([new Run(self::box($part)), ...$part->richText()->runs]),
                ),
                DocumentRole::Table => $this->table($tree, $part),
                DocumentRole::Picture => '<w:p>'.$this->package->picture($part, $picture).'</w:p>',
                default => $this->paragraph(self::style($part), $part->richText()),
            };
        }

        return $xml;
    }

    private function paragraph(string $properties, RichText $text): string
    {
        return '<w:p>'.($properties === '' ? '' : "<w:pPr>{$properties}</w:pPr>").$this->inline($text).'</w:p>';
    }

    private function table(PartTree $tree, Part $table): string
    {
        $rows = '';
        $head = true;
        $width = 0;
        foreach ($tree->children()[$table->id] ?? [] as $row) {
            $cells = $tree->children()[$row] ?? [];
            $width = max($width, count($cells));
            $head = $head
            && $cells !== []
            && array_filter($cells, fn (string $id) => ($tree->get($id)->fields['head'] ?? false) !== true) === [];
            $rows .= '<w:tr>'
            .($head ? '<w:trPr><w:tblHeader/></w:trPr>' : '')
            .implode('', array_map(fn (string $id) => "<w:tc>{$this->paragraph('', $tree->get($id)->richText())}</w:tc>", $cells))
            .'</w:tr>';
        }

        return self::tableOf($rows, $width);
    }

    private function inline(RichText $text): string
    {
        return implode(
            '',
            array_map(
                fn (Run $run): string => $this->package->linked($run, DocxPackage::run($run->text, DocxPackage::look($run))),
                $text->runs,
            ),
        );
    }
}
