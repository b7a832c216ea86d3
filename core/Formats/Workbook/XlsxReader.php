<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use Closure;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Archive;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Reader;
use MistyAttic\Core\Formats\SaidInFile;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Formats\Xml;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;

/**
 * Workbooks as ECMA-376 has them (SpreadsheetML): tabs with values and formulas; of the looks, bold, italic, sides, number formats and
 * widths of columns. The rows are read as a stream, so that memory goes by what they hold and not by how they are written.
 */
final readonly class XlsxReader implements Reader
{
    private const WORKBOOK = 'xl/workbook.xml';

    /** @param (Closure(float): void)|null $share is told now and then how far reading has come, from 0 to 1 */
    public function __construct(private ?Closure $share = null) {}

    public function read(string $bytes, FormatLimits $limits): Content
    {
        $archive = Archive::of($bytes, $limits);
        $main = $this->targets($archive, '', $limits)['officeDocument'][0] ?? self::WORKBOOK;
        $workbook = Xml::read($archive->file($main, $limits->unpacked), $main);
        $related = $this->targets($archive, $main, $limits);
        $read = fn (string $type): ?string => isset($related[$type][0])
            ? $archive->fileIfThere($related[$type][0], $limits->unpacked)
            : null;
        $styles = XlsxStyles::read(
            $read('styles'),
            in_array(Xml::child($workbook, 'workbookPr')?->getAttribute('date1904'), ['1', 'true', 'on'], true),
        );
        $texts = XlsxTexts::read($read('sharedStrings'), $limits);
        $names = $files = [];
        foreach (Xml::children(Xml::child($workbook, 'sheets') ?? $workbook, 'sheet') as $sheet) {
            $file = $related['worksheet'][$sheet->getAttribute('r:id')] ?? null;
            if ($file !== null) {
                $names[] = $sheet->getAttribute('name');
                $files[] = $file;
            }
        }
        $names !== [] || throw Unreadable::because('there is no sheet in it');
        $cells = new CellCount($limits);
        $reach = new Reach($names);
        $tabs = [];
        foreach ($files as $at => $file) {
            $share = $this->share === null ? null : fn (float $ofSheet) => ($this->share)(($at + $ofSheet) / count($files));
            $tabs[] = (new XlsxSheet($at, $styles, $texts, $cells, $reach, $share))->read($archive->file($file, $limits->unpacked), $file);
        }
        $parts = [];
        $said = $this->said($archive, $files, $related, $limits);
        $reach->notes($said);
        foreach ($tabs as $at => $tab) {
            array_push($parts, ...$tab->parts($at, $names[$at], $reach->of($at), $limits));
            unset($tabs[$at]);
        }

        return new Content(new SpreadsheetKind, PartTree::of($parts), said: $said);
    }

    /**
     * @param  list<string>  $files  of the sheets
     * @param  array<string, array<string|int, string>>  $related  to the workbook
     * @return list<SaidInFile>
     */
    private function said(Archive $archive, array $files, array $related, FormatLimits $limits): array
    {
        $read = fn (?string $file): ?string => $file === null ? null : $archive->fileIfThere($file, $limits->unpacked);
        $people = XlsxNotes::people($read($related['person'][0] ?? null));
        $said = [];
        foreach ($files as $at => $file) {
            $of = $this->targets($archive, $file, $limits);
            array_push(
                $said,
                ...XlsxNotes::read($at, $read($of['comments'][0] ?? null), $read($of['threadedComment'][0] ?? null), $people),
            );
        }

        return array_slice($said, 0, SaidInFile::MOST);
    }

    /**
     * The files that one refers to (ECMA-376 part 2, 9.3), by the last word of their type.
     *
     * @return array<string, array<string|int, string>> type => id, and 0 for the first, => file
     */
    private function targets(Archive $archive, string $from, FormatLimits $limits): array
    {
        $folder = str_contains($from, '/') ? substr($from, 0, (int) strrpos($from, '/') + 1) : '';
        $xml = $archive->fileIfThere($folder.'_rels/'.substr($from, strlen($folder)).'.rels', $limits->unpacked);
        $targets = [];
        foreach ($xml === null ? [] : Xml::children(Xml::read($xml, $from), 'Relationship') as $one) {
            $target = $one->getAttribute('Target');
            $type = substr((string) strrchr($one->getAttribute('Type'), '/'), 1);
            $targets[$type][$one->getAttribute('Id')] = $file = str_starts_with($target, '/')
                ? substr($target, 1)
                : self::resolved($folder.$target);
            $targets[$type][0] ??= $file;
        }

        return $targets;
    }

    /** @throws Unreadable when it leads out of the archive */
    private static function resolved(string $path): string
    {
        $steps = [];
        foreach (explode('/', $path) as $step) {
            if ($step === '..' && array_pop($steps) === null) {
                throw Unreadable::because('it refers to a file outside of it', Unreadable::quote($path));
            }
            $step === '..' || $step === '.' || $steps[] = $step;
        }

        return implode('/', $steps);
    }
}
