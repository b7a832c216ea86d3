<?php

declare(strict_types=1);

namespace MistyAttic\Core\Files;

use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Compare\Texts\Span;
use MistyAttic\Core\Compare\Texts\SpanKind;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\Document\DocxPackage;
use MistyAttic\Core\Formats\Document\DocxWriter;
use MistyAttic\Core\Kinds\Document\DocumentRole;
use MistyAttic\Core\Kinds\Numbering;

/**
 * Two states of a document as one text with tracked changes (ECMA-376 part 1, 17.13.5): whoever accepts them all has the later state,
 * whoever rejects them all the earlier one. Each change has its author and its time, and what is said about a part is beside it as comments
 * (17.13.4).
 */
final class DocxTracked
{
    private DocxPackage $package;

    /** Each change has a number of its own. */
    private int $id = 0;

    /** @var array<string, array{string, int}> numbered item of the later state => its list */
    private array $lists;

    /** @var array<string, array{string, int}> the same of the earlier one */
    private array $listsBefore;

    /** @param \Closure(string): ?string $picture */
    private function __construct(
        private readonly PartTree $old,
        private readonly PartTree $new,
        private readonly Tracking $by,
        private readonly \Closure $picture,
    ) {
        $this->package = new DocxPackage;
        [$this->lists, $this->listsBefore] = [Numbering::lists($new), Numbering::lists($old)];
    }

    /**
     * @param  list<MarkedPart>  $layout  with the traces of what moved
     * @param  \Closure(string): ?string  $picture  its address by its chunk
     */
    public static function write(string $title, PartTree $old, PartTree $new, array $layout, Tracking $by, \Closure $picture): string
    {
        $writer = new self($old, $new, $by, $picture);

        return $writer->package->bytes($title, $writer->blocks($layout));
    }

    /**
     * @param  list<MarkedPart>  $layout
     * @param  array{string, TrackedBy}|null  $within  what all of it is a part of, such as a block that moved
     */
    private function blocks(array $layout, ?array $within = null): string
    {
        $xml = '';
        foreach ($layout as $marked) {
            if ($within !== null && ($marked->isTrace || $marked->state === ChangeType::Removed)) {
                // The trace of what it is a part of has it.
                continue;
            }
            $done = $this->done($marked) ?? ($marked->state === null ? $within : null);
            $xml .= match (true) {
                $marked->isTrace => $this->trace(
                    $marked->part->id,
                    $done ?? throw new \LogicException('A trace is of something that moved'),
                ),
                $done !== null => $this->whole($marked, $done),
                default => $this->both($marked),
            };
            if (! $marked->isTrace && $marked->part->role !== DocumentRole::Table->value) {
                $xml .= $this->blocks($marked->children, $marked->movedFrom !== null ? $done : $within);
            }
        }

        return $xml;
    }

    /** @return array{string, TrackedBy}|null what was done to a part as a whole, by its element, and by whom */
    private function done(MarkedPart $marked): ?array
    {
        $id = $marked->part->id;

        return match (true) {
            $marked->isTrace => ['moveFrom', $this->by->of($id, ChangeType::Moved)],
            $marked->state === ChangeType::Added => ['ins', $this->by->of($id, ChangeType::Added)],
            $marked->state === ChangeType::Removed => ['del', $this->by->of($id, ChangeType::Removed)],
            $marked->movedFrom !== null => ['moveTo', $this->by->of($id, ChangeType::Moved)],
            default => null,
        };
    }

    /**
     * What moved, as it stood before, with all that was below it.
     *
     * @param  array{string, TrackedBy}  $done
     */
    private function trace(string $id, array $done): string
    {
        $xml = '';
        foreach ($this->old->subtree($id) as $part) {
            $xml .= match (DocumentRole::from($part->role)) {
                DocumentRole::Row, DocumentRole::Cell => '',
                DocumentRole::Table => $this->table($this->alone($part), $done),
                default => $this->paragraph($part, $done, $this->listsBefore),
            };
        }

        return $xml;
    }

    /** A table of the earlier state, as if nothing of it were anywhere else. */
    private function alone(Part $part): MarkedPart
    {
        return new MarkedPart(
            null,
            $part,
            null,
            false,
            null,
            array_map(fn (string $id): MarkedPart => $this->alone($this->old->get($id)), $this->old->children()[$part->id] ?? []),
        );
    }

    /** @param array{string, TrackedBy} $done */
    private function whole(MarkedPart $marked, array $done): string
    {
        $isOld = $marked->state === ChangeType::Removed;

        return match (DocumentRole::from($marked->part->role)) {
            DocumentRole::Row, DocumentRole::Cell => '',
            DocumentRole::Table => $this->table($isOld ? $this->alone($marked->part) : $marked, $done),
            default => $this->paragraph($marked->part, $done, $isOld ? $this->listsBefore : $this->lists),
        };
    }

    /** What is on both sides, in its place. */
    private function both(MarkedPart $marked): string
    {
        [$part, $before] = [$marked->part, $marked->before ?? $marked->part];
        $role = DocumentRole::from($part->role);
        $isText = fn (DocumentRole $role): bool => in_array(
            $role,
            [DocumentRole::Heading, DocumentRole::Paragraph, DocumentRole::ListItem, DocumentRole::Quote, DocumentRole::Code],
            true,
        );
        if ($role === DocumentRole::Table && $before->role === $part->role) {
            return $this->table($marked, null);
        }
        $isSame = $role === DocumentRole::Picture
            ? $part->string('chunk') === $before->string('chunk') && $part->string('alt') === $before->string('alt')
            : true;
        if (! $isSame || ($before->role !== $part->role && ! ($isText($role) && $isText(DocumentRole::from($before->role))))) {
            $by = $this->by->of($part->id, ChangeType::Edited);

            return $this->paragraph($before, ['del', $by], $this->listsBefore)
                .($role === DocumentRole::Table ? $this->table($marked, ['ins', $by]) : $this->paragraph($part, ['ins', $by], $this->lists));
        }
        if (! $isText($role)) {
            return $this->paragraph($part, null, $this->lists);
        }
        $look = $this->properties($part, $this->lists);
        if (self::kind($part, $this->lists) !== self::kind($before, $this->listsBefore)) {
            $look .= "<w:pPrChange {$this->by->of($part->id, ChangeType::Edited)->attributes(++$this->id)}><w:pPr>{$this->properties(
                $before,
                $this->listsBefore,
            )}</w:pPr></w:pPrChange>";
        }
        [$box, $boxBefore] = [DocxWriter::box($part), DocxWriter::box($before)];
        $by = $this->by->of($part->id, ChangeType::Edited);
        $boxes = $box === $boxBefore
            ? $this->runs(RichText::plain($box), null)
            : $this->runs(RichText::plain($boxBefore), ['del', $by]).$this->runs(RichText::plain($box), ['ins', $by]);

        return '<w:p>'.($look === '' ? '' : "<w:pPr>{$look}</w:pPr>").$this->commented($part->id, $boxes.$this->words($marked)).'</w:p>';
    }

    /**
     * What a paragraph is, apart from its words.
     *
     * @param  array<string, array{string, int}>  $lists
     */
    private static function kind(Part $part, array $lists): string
    {
        return DocxWriter::style($part)
            .($part->role === DocumentRole::ListItem->value
                ? "{$part->string('style')} {$part->depth} ".($lists[$part->id][0] ?? '')
                : '');
    }

    /** @param array<string, array{string, int}> $lists */
    private function properties(Part $part, array $lists): string
    {
        return $part->role === DocumentRole::ListItem->value
            ? $this->package->list($part, $lists[$part->id] ?? null)
            : DocxWriter::style($part);
    }

    /**
     * @param  array{string, TrackedBy}|null  $done
     * @param  array<string, array{string, int}>  $lists
     */
    private function paragraph(Part $part, ?array $done, array $lists): string
    {
        $look = $this->properties($part, $lists).($done === null ? '' : '<w:rPr>'.$this->mark($done).'</w:rPr>');
        $isPicture = $part->role === DocumentRole::Picture->value;
        $inner = $isPicture
            ? $this->tracked($this->package->picture($part, $this->picture), $done)
            : $this->runs(
                new RichText([new Run(DocxWriter::box($part)), ...isset($part->fields['text']) ? $part->richText()->runs : []]),
                $done,
            );

        return '<w:p>'
            .($look === '' ? '' : "<w:pPr>{$look}</w:pPr>")
            .($done === null || in_array($done[0], ['ins', 'moveTo'], true) ? $this->commented($part->id, $inner) : $inner)
            .'</w:p>';
    }

    /**
     * That a paragraph’s end, or a row, came or went.
     *
     * @param  array{string, TrackedBy}  $done
     */
    private function mark(array $done): string
    {
        return "<w:{$done[0]} {$done[1]->attributes(++$this->id)}/>";
    }

    /** @param array{string, TrackedBy}|null $done */
    private function tracked(string $run, ?array $done): string
    {
        return $done === null || $run === '' ? $run : "<w:{$done[0]} {$done[1]->attributes(++$this->id)}>{$run}</w:{$done[0]}>";
    }

    /** @param array{string, TrackedBy}|null $done */
    private function runs(RichText $text, ?array $done): string
    {
        return implode(
            '',
            array_map(
                fn (Run $run): string => $this->package->linked(
                    $run,
                    $this->tracked(DocxPackage::run($run->text, DocxPackage::look($run), ($done[0] ?? '') === 'del'), $done),
                ),
                $text->runs,
            ),
        );
    }

    private function words(MarkedPart $marked): string
    {
        return implode('', array_map(fn (array $of): string => match ($of[0]->kind) {
            SpanKind::Same => $this->runs($of[0]->text, null),
            SpanKind::Added, SpanKind::Came => $this->runs($of[0]->text, ['ins', $of[1]]),
            SpanKind::Removed, SpanKind::Went => $this->runs($of[0]->text, ['del', $of[1]]),
            SpanKind::Formatted => $this->formatted(...$of),
        }, $this->by->words($marked)));
    }

    /** The same words with other marks: cut wherever either side changes its marks. */
    private function formatted(Span $span, TrackedBy $by): string
    {
        $xml = '';
        $before = self::letters($span->was ?? $span->text);
        $stretch = '';
        $now = self::letters($span->text);
        foreach ($now as $at => [$letter, $run]) {
            $stretch .= $letter;
            $was = $before[$at][1] ?? $run;
            if (
                isset($now[$at + 1])
                && $now[$at + 1][1]->marks === $run->marks
                && ($before[$at + 1][1] ?? $now[$at + 1][1])->marks === $was->marks
            ) {
                continue;
            }
            if (($run->marks['link'] ?? '') !== ($was->marks['link'] ?? '')) {
                // Where words lead to is no look of theirs, and can only be put in again.
                $xml .= $this->runs(new RichText([new Run($stretch, $was->marks)]), ['del', $by])
                .$this->runs(new RichText([new Run($stretch, $run->marks)]), ['ins', $by]);
                $stretch = '';

                continue;
            }
            $change = DocxPackage::look($run) === DocxPackage::look($was)
                ? ''
                : "<w:rPrChange {$by->attributes(++$this->id)}><w:rPr>".DocxPackage::look($was).'</w:rPr></w:rPrChange>';
            $xml .= $this->package->linked($run, DocxPackage::run($stretch, DocxPackage::look($run).$change));
            $stretch = '';
        }

        return $xml;
    }

    /** @return list<array{string, Run}> */
    private static function letters(RichText $text): array
    {
        return array_merge(
            [],
            ...array_map(
                fn (Run $run): array => array_map(fn (string $letter): array => [$letter, $run], mb_str_split($run->text)),
                $text->runs,
            ),
        );
    }

    private function commented(string $part, string $runs): string
    {
        foreach ($this->by->said($part) as $comment) {
            $id = $this->package->comment($comment['by']->name, $comment['initials'], $comment['by']->at, $comment['text']);
            $runs = "<w:commentRangeStart w:id=\"{$id}\"/>{$runs}<w:commentRangeEnd w:id=\"{$id}\"/><w:r><w:commentReference w:id=\"{$id}\"/></w:r>";
        }

        return $runs;
    }

    /** @param array{string, TrackedBy}|null $done to all of it */
    private function table(MarkedPart $table, ?array $done): string
    {
        $rows = '';
        $width = 0;
        [$heads, $headsBefore] = [self::heads($this->new, $table->part->id), self::heads($this->old, $table->part->id)];
        foreach ($table->children as $row) {
            if ($done !== null && ($row->isTrace || $row->state === ChangeType::Removed)) {
                // What went from a table that came as a whole is in its trace.
                continue;
            }
            $ofRow = $done ?? $this->asRow($this->done($row));
            $cells = '';
            $children = $ofRow !== null && ($row->isTrace || $row->state === ChangeType::Removed)
                ? $this->alone($this->old->get($row->part->id))->children
                : $row->children;
            $width = max($width, count($children));
            foreach ($children as $cell) {
                if ($ofRow === null || $cell->state !== ChangeType::Removed && ! $cell->isTrace) {
                    $cells .= $this->cell($cell, $ofRow);
                }
            }
            $isOld = $row->isTrace || $row->state === ChangeType::Removed || in_array($done[0] ?? '', ['del', 'moveFrom'], true);
            [$head, $before] = [isset($heads[$row->part->id]), isset($headsBefore[$row->part->id])];
            $look
                = (($isOld ? $before : $head) ? '<w:tblHeader/>' : '').($ofRow === null ? '' : $this->mark($this->asRow($ofRow) ?? $ofRow));
            if ($ofRow === null && $head !== $before) {
                $look .= "<w:trPrChange {$this->by->of($row->part->id, ChangeType::Edited)->attributes(++$this->id)}><w:trPr>"
                .($before ? '<w:tblHeader/>' : '')
                .'</w:trPr></w:trPrChange>';
            }
            $rows .= '<w:tr>'.($look === '' ? '' : "<w:trPr>{$look}</w:trPr>")."{$cells}</w:tr>";
        }

        return DocxWriter::tableOf($rows, $width);
    }

    /** @return array<string, true> the rows at the top of a table whose cells are all headings */
    private static function heads(PartTree $tree, string $table): array
    {
        $heads = [];
        foreach ($tree->children()[$table] ?? [] as $row) {
            $cells = $tree->children()[$row] ?? [];
            if ($cells === [] || array_filter($cells, fn (string $id) => ($tree->get($id)->fields['head'] ?? false) !== true) !== []) {
                break;
            }
            $heads[$row] = true;
        }

        return $heads;
    }

    /**
     * Rows and cells come and go; that they moved can’t be said.
     *
     * @param  array{string, TrackedBy}|null  $done
     * @return array{string, TrackedBy}|null
     */
    private function asRow(?array $done): ?array
    {
        return $done === null ? null : [['moveFrom' => 'del', 'moveTo' => 'ins'][$done[0]] ?? $done[0], $done[1]];
    }

    /** @param array{string, TrackedBy}|null $ofRow */
    private function cell(MarkedPart $cell, ?array $ofRow): string
    {
        $done = $ofRow ?? $this->asRow($this->done($cell));
        $look = $ofRow !== null || $done === null
            ? ''
            : '<w:tcPr><w:'.($done[0] === 'ins' ? 'cellIns' : 'cellDel')." {$done[1]->attributes(++$this->id)}/></w:tcPr>";
        $inner = $done === null
            ? $this->commented($cell->part->id, $this->words($cell))
            : $this->runs($cell->part->richText(), $this->asRow($done));

        return "<w:tc>{$look}<w:p>{$inner}</w:p></w:tc>";
    }
}
