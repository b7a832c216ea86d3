<?php

declare(strict_types=1);

namespace MistyAttic\Core\Files;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\JsonWriter;
use MistyAttic\Core\Formats\Lines;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Formats\Workbook\CsvReader;
use MistyAttic\Core\Formats\Workbook\CsvWriter;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Data\DataKind;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Merge\Conflict;
use MistyAttic\Core\Merge\LineMerge;
use MistyAttic\Core\Merge\Merged;
use MistyAttic\Core\Merge\TreeMerge;

/**
 * Merges two files that came of one: texts line by line, tables cell by cell, documents part by part. Theirs is where
 * both edited one place, and mine is beside it, labelled.
 */
final readonly class FileMerge
{
    /** @param list<array<string, mixed>> $conflicts what was held back, as JSON */
    private function __construct(public string $bytes, public array $conflicts) {}

    /** @throws Unreadable */
    public static function of(Source $base, Source $mine, Source $theirs): self
    {
        $kind = $base->format === FileFormat::Text || $base->format === FileFormat::Markdown || $base->format === FileFormat::Html
            ? null
            : $base->content()->kind;
        if ($kind === null || $kind instanceof DataKind) {
            return self::lines($base, $mine, $theirs);
        }
        foreach ([$mine, $theirs] as $side) {
            if ($side->content()->kind->name() !== $kind->name()) {
                throw Unreadable::because("one is a {$kind->name()} and another a {$side->content()->kind->name()}");
            }
        }
        $tree = $base->content()->tree;
        $ours = FileComparison::matched($tree, $mine->content()->tree, $kind, $base->format)->tree;
        $other = self::apart($tree, FileComparison::matched($tree, $theirs->content()->tree, $kind, $base->format)->tree, $ours);
        $merged = TreeMerge::of($tree, $other, $ours);
        $labelled = HeldBack::labelled($kind, $merged, $tree, $ours);
        $conflicts = array_map(fn (Conflict $conflict) => self::json($conflict, $tree, $other), $merged->conflicts);
        $pictures = $base->content()->pictures + $mine->content()->pictures + $theirs->content()->pictures;

        return new self(
            match ($base->format) {
                FileFormat::Csv, FileFormat::Tsv => self::encoded(
                    self::csv($kind, $labelled, [[$theirs, $other], [$mine, $ours], [$base, $tree]]),
                    [$theirs, $mine, $base],
                ),
                FileFormat::Json => (new JsonWriter)->write($kind, $labelled),
                default => FileWriter::of($base->format, $base->name, $labelled, $pictures),
            },
            $conflicts,
        );
    }

    private static function lines(Source $base, Source $mine, Source $theirs): self
    {
        $merge = LineMerge::of(Lines::of($base->text()), Lines::of($theirs->text()), Lines::of($mine->text()));
        $text = '';
        $conflicts = [];
        $at = 1;
        foreach ($merge as $piece) {
            if (is_array($piece)) {
                $end = str_ends_with($piece['theirs'][0] ?? $piece['base'][0] ?? $piece['mine'][0] ?? '', "\r\n") ? "\r\n" : "\n";
                $block = '';
                foreach (['mine' => $mine->name, 'base' => $base->name, 'theirs' => $theirs->name] as $side => $name) {
                    $lines = implode('', $piece[$side]);
                    $block .= "---- held back, {$side}: {$name}{$end}{$lines}"
                    .($lines === '' || preg_match('/[\r\n]$/', $lines) === 1 ? '' : $end);
                }
                $conflicts[] = [
                    'line' => $at,
                    'mine' => self::readable($piece['mine']),
                    'base' => self::readable($piece['base']),
                    'theirs' => self::readable($piece['theirs']),
                ];
                $piece = "{$block}---- end of what was held back{$end}";
            }
            $text .= $piece;
            $at += substr_count($piece, "\n");
        }

        return new self(self::encoded($text, [$theirs, $mine, $base]), $conflicts);
    }

    /**
     * @param  list<string>  $lines
     * @return list<string>
     */
    private static function readable(array $lines): array
    {
        return array_map(fn (string $line) => mb_scrub(rtrim($line, "\r\n")), $lines);
    }

    /** Parts that both sides added are two, though both readers may have given them one id. */
    private static function apart(PartTree $base, PartTree $theirs, PartTree $mine): PartTree
    {
        $ids = [];
        foreach ($theirs->parts as $part) {
            if (! $base->has($part->id) && $mine->has($part->id) && $mine->get($part->id)->record() !== $part->record()) {
                $ids[$part->id] = 'th'.$part->id;
            }
        }

        return $ids === []
            ? $theirs
            : PartTree::of(
                array_map(
                    fn (Part $part) => new Part(
                        $ids[$part->id] ?? $part->id,
                        $part->role,
                        $part->depth,
                        array_combine(
                            array_map(fn (string|int $name) => $ids[$name] ?? (string) $name, array_keys($part->fields)),
                            array_values($part->fields),
                        ),
                    ),
                    $theirs->parts,
                ),
            );
    }

    /**
     * Records that are as a side wrote them stay so to the byte.
     *
     * @param  list<array{Source, PartTree}>  $sides  theirs, mine and base
     */
    private static function csv(Kind $kind, PartTree $merged, array $sides): string
    {
        $grid = $kind->grid() ?? throw new \LogicException('A table has a grid');
        $columns = array_column(array_filter($merged->parts, fn (Part $part) => $part->role === $grid->column), 'id');
        $separator = self::manner(
            $sides,
            fn (Source $side): string => $side->format === FileFormat::Tsv ? "\t" : CsvReader::separator($side->text()),
        );
        $end = self::manner($sides, fn (Source $side): string => preg_match('/\r\n|\n|\r/', $side->text(), $found) === 1 ? $found[0] : "\n");
        $ended = self::manner($sides, fn (Source $side): string => preg_match('/[\r\n]$/', $side->text()) === 1 ? 'yes' : 'no') === 'yes';
        $written = [];
        foreach ($sides as [$source, $tree]) {
            $sameColumns = array_column(array_filter($tree->parts, fn (Part $part) => $part->role === $grid->column), 'id') === $columns;
            if (! $sameColumns || ($source->format === FileFormat::Csv && CsvReader::separator($source->text()) !== $separator)) {
                continue;
            }
            $rows = array_values(array_filter($tree->parts, fn (Part $part) => $part->role === $grid->row));
            foreach (CsvReader::records($source->text()) as $at => $record) {
                if (isset($rows[$at])) {
                    $written[$rows[$at]->record()] ??= rtrim($record, "\r\n").$end;
                }
            }
        }
        $writer = new CsvWriter($separator, $end, false);
        $text = '';
        foreach ($merged->parts as $part) {
            $text .= $part->role === $grid->row ? $written[$part->record()] ?? $writer->row($part, $columns) : '';
        }

        return $ended ? $text : rtrim($text, "\r\n");
    }

    /**
     * In the way that the files are written, if all of it can be.
     *
     * @param  array{Source, Source, Source}  $sides  theirs, mine and base
     */
    private static function encoded(string $text, array $sides): string
    {
        [$theirs, $mine, $base] = $sides;

        return ($theirs->encoding->name === $base->encoding->name ? $mine : $theirs)->encoding->bytes($text);
    }

    /**
     * How a file is written is merged like anything else: theirs, unless they left it as it was.
     *
     * @param  list<array{Source, PartTree}>  $sides  theirs, mine and base
     * @param  \Closure(Source): string  $tell
     */
    private static function manner(array $sides, \Closure $tell): string
    {
        [$theirs, $mine, $base] = array_map(fn (array $side) => $tell($side[0]), $sides);

        return $theirs === $base ? $mine : $theirs;
    }

    /** @return array<string, mixed> */
    private static function json(Conflict $conflict, PartTree $base, PartTree $theirs): array
    {
        $value = fn (?Part $part): mixed => $part === null
            ? null
            : ($conflict->field === null
                ? $part->toJson()
                : ((array) $part->toJson()[3])[$conflict->field] ?? null);

        return [
            'type' => $conflict->type->value,
            'part' => $conflict->id,
            'field' => $conflict->field,
            'base' => $value($base->find($conflict->id)),
            'mine' => $value($conflict->mine[0] ?? null),
            'theirs' => $value($theirs->find($conflict->id)),
        ];
    }
}
