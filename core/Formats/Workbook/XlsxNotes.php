<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use DOMElement;
use MistyAttic\Core\Formats\SaidInFile;
use MistyAttic\Core\Formats\Xml;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;

/**
 * The notes of cells in an XLSX workbook (comments, ECMA-376 part 1, 18.7; their boxes, part 4, 19.5), and the threads that newer files
 * hold beside them.
 */
final class XlsxNotes
{
    private const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>'."\n";

    private const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';

    /** Letters of a text in a note (ST_Xstring in a cell holds as many). */
    private const LETTERS = 32_000;

    /** @var array<string, CellNote> place, such as `B2` => note */
    private array $notes = [];

    public function add(string $place, CellNote $note): void
    {
        $this->notes[$place] = $note;
    }

    public function isEmpty(): bool
    {
        return $this->notes === [];
    }

    public function comments(): string
    {
        $authors = array_values(array_unique(array_column($this->notes, 'by')));
        $numbers = array_flip($authors);
        $list = '';
        foreach ($this->notes as $place => $note) {
            $list .= "<comment ref=\"{$place}\" authorId=\"{$numbers[$note->by]}\"><text><r><t xml:space=\"preserve\">"
            .Xml::escape(XlsxTexts::escaped(mb_substr($note->text, 0, self::LETTERS)))
            .'</t></r></text></comment>';
        }

        return self::HEAD
            .'<comments xmlns="'
            .self::MAIN
            .'"><authors>'
            .implode('', array_map(fn (string $by): string => '<author>'.Xml::escape($by).'</author>', $authors))
            ."</authors><commentList>{$list}</commentList></comments>";
    }

    /** A box for each note, without which a program shows none. */
    public function boxes(): string
    {
        $shapes = '';
        foreach (array_keys($this->notes) as $at => $place) {
            [$column, $row] = self::place($place) ?? [0, 0];
            $id = 1025 + $at;
            $shapes .= "<v:shape id=\"_x0000_s{$id}\" type=\"#_x0000_t202\" style=\"position:absolute;width:180pt;height:90pt;visibility:hidden\" o:insetmode=\"auto\"><x:ClientData ObjectType=\"Note\"><x:Row>{$row}</x:Row><x:Column>{$column}</x:Column></x:ClientData></v:shape>";
        }

        return '<xml xmlns:v="urn:schemas-microsoft-com:vml" xmlns:o="urn:schemas-microsoft-com:office:office" xmlns:x="urn:schemas-microsoft-com:office:excel">'
            ."<v:shapetype id=\"_x0000_t202\" coordsize=\"21600,21600\" o:spt=\"202\" path=\"m,l,21600r21600,l21600,xe\"/>{$shapes}</xml>";
    }

    /**
     * @param  string|null  $comments  the notes of a sheet
     * @param  string|null  $threads  the threads of a sheet; a note repeats what they say
     * @param  array<string, string>  $people  id => name
     * @return list<SaidInFile>
     */
    public static function read(int $tab, ?string $comments, ?string $threads, array $people): array
    {
        $said = $inThreads = [];
        foreach ($threads === null ? [] : Xml::children(Xml::read($threads, 'threadedComments'), 'threadedComment') as $one) {
            $inThreads[$one->getAttribute('ref')] = true;
            $said[] = self::said(
                $tab,
                $one->getAttribute('ref'),
                $people[$one->getAttribute('personId')] ?? '',
                Xml::child($one, 'text')->textContent ?? '',
            );
        }
        $root = $comments === null ? null : Xml::read($comments, 'comments');
        $authors = $root === null
            ? []
            : array_map(
                fn (DOMElement $author): string => $author->textContent,
                iterator_to_array(Xml::children(Xml::child($root, 'authors') ?? $root, 'author'), false),
            );
        foreach ($root === null ? [] : Xml::children(Xml::child($root, 'commentList') ?? $root, 'comment') as $one) {
            if (! isset($inThreads[$one->getAttribute('ref')])) {
                $text = Xml::child($one, 'text');
                $said[] = self::said(
                    $tab,
                    $one->getAttribute('ref'),
                    $authors[(int) $one->getAttribute('authorId')] ?? '',
                    $text === null
                        ? ''
                        : XlsxTexts::unescaped(
                            implode('', array_map(fn (DOMElement $t) => $t->textContent, iterator_to_array(Xml::all($text, 't'), false))),
                        ),
                );
            }
        }

        return array_slice(array_values(array_filter($said)), 0, SaidInFile::MOST);
    }

    /** @return array<string, string> id => name */
    public static function people(?string $persons): array
    {
        $people = [];
        foreach ($persons === null ? [] : Xml::children(Xml::read($persons, 'persons'), 'person') as $person) {
            $people[$person->getAttribute('id')] = $person->getAttribute('displayName');
        }

        return $people;
    }

    /** @return array{int, int}|null column and row, from 0 */
    public static function place(string $place): ?array
    {
        return preg_match('/^([A-Z]{1,3})([1-9]\d{0,6})$/D', $place, $found) === 1
            ? [CellPlaces::column($found[1]), (int) $found[2] - 1]
            : null;
    }

    private static function said(int $tab, string $ref, string $by, string $text): ?SaidInFile
    {
        $place = self::place($ref);

        return $place === null || trim($text) === '' ? null : new SaidInFile($by, trim($text), '', [$tab, $place[1], $place[0]]);
    }
}
