<?php

declare(strict_types=1);

namespace MistyAttic\Core\Files;

use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Compare\Texts\SpanKind;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Document\OdtPackage;
use MistyAttic\Core\Formats\Document\OdtWriter;
use MistyAttic\Core\Formats\Xml;
use MistyAttic\Core\Kinds\Document\DocumentRole;
use MistyAttic\Core\Kinds\Numbering;

/**
 * Two states of a document as one text with tracked changes (ODF 1.3 part 3, 5.5): whoever accepts them all has the later state, whoever
 * rejects them all the earlier one. The standard knows insertions and deletions: what moved, looks different or became another kind of
 * block goes and comes, and so does a table whose rows or columns changed. What is said about a part is beside it as annotations (14.1).
 */
final class OdtTracked
{
    private OdtPackage $package;

    /** @var list<string> changes, by their numbers from 1 */
    private array $regions = [];

    private int $annotations = 0;

    /** @var array<string, array{int, bool}> numbered item of the later state => its number, and whether it begins */
    private array $numbers;

    /** @var array<string, array{int, bool}> the same of the earlier one */
    private array $numbersBefore;

    /** @param \Closure(string): ?string $picture */
    private function __construct(
        private readonly PartTree $old,
        private readonly PartTree $new,
        private readonly Tracking $by,
        private readonly \Closure $picture,
    ) {
        $this->package = new OdtPackage;
        [$this->numbers, $this->numbersBefore] = [Numbering::of($new), Numbering::of($old)];
    }

    /**
     * @param  list<MarkedPart>  $layout  with the traces of what moved
     * @param  \Closure(string): ?string  $picture  its address by its chunk
     */
    public static function write(string $title, PartTree $old, PartTree $new, array $layout, Tracking $by, \Closure $picture): string
    {
        $writer = new self($old, $new, $by, $picture);
        $body = $writer->blocks($layout);

        return $writer->package->bytes(
            $title,
            ($writer->regions === [] ? '' : '<text:tracked-changes>'.implode('', $writer->regions).'</text:tracked-changes>').$body,
        );
    }

    /**
     * @param  list<MarkedPart>  $layout
     * @param  TrackedBy|null  $within  who moved what all of it is a part of
     */
    private function blocks(array $layout, ?TrackedBy $within = null): string
    {
        $xml = '';
        foreach ($layout as $marked) {
            // The trace of what it is a part of has what went from there.
            if ($within !== null && ($marked->isTrace || $marked->state === ChangeType::Removed)) {
                continue;
            }
            [$id, $moved] = [
                $marked->part->id,
                $marked->movedFrom !== null && ! $marked->isTrace ? $this->by->of($marked->part->id, ChangeType::Moved) : null,
            ];
            $xml .= match (true) {
                $marked->isTrace => $this->gone(
                    implode('', array_map(fn (Part $part): string => $this->before($part), $this->old->subtree($id))),
                    $this->by->of($id, ChangeType::Moved),
                ),
                $marked->state === ChangeType::Removed => $this->gone(
                    $this->before($marked->part),
                    $this->by->of($id, ChangeType::Removed),
                ),
                $marked->state === ChangeType::Added => $this->come($this->now($marked->part), $this->by->of($id, ChangeType::Added)),
                $moved !== null || $within !== null => $this->come($this->now($marked->part), $moved ?? $within),
                default => $this->both($marked),
            };
            if (! $marked->isTrace && $marked->part->role !== DocumentRole::Table->value) {
                $xml .= $this->blocks($marked->children, $moved ?? $within);
            }
        }

        return $xml;
    }

    /** A block of the earlier state. */
    private function before(Part $part): string
    {
        $at = $this->old->position($part->id) ?? 0;

        return $this->block(
            $this->old,
            $part,
            OdtPackage::around($part, $this->old->parts[$at - 1] ?? null, $this->numbersBefore[$part->id] ?? null),
            fn (string $id, string $inner): string => $inner,
        );
    }

    /** A block of the later state, with what is said about it. */
    private function now(Part $part): string
    {
        return $this->block($this->new, $part, $this->aroundNow($part), $this->annotated(...));
    }

    /** @return array{string, string} */
    private function aroundNow(Part $part): array
    {
        return OdtPackage::around(
            $part,
            $this->new->parts[($this->new->position($part->id) ?? 0) - 1] ?? null,
            $this->numbers[$part->id] ?? null,
        );
    }

    /**
     * @param  array{string, string}  $around
     * @param  \Closure(string, string): string  $said  puts what is said about a part around its words
     */
    private function block(PartTree $tree, Part $part, array $around, \Closure $said): string
    {
        return match (DocumentRole::from($part->role)) {
            DocumentRole::Row, DocumentRole::Cell => '',
            DocumentRole::Table => OdtPackage::table(
                OdtWriter::rows(
                    $tree,
                    $part->id,
                    fn (string $cell): string => $said($cell, $this->package->inline($tree->get($cell)->richText())),
                ),
            ),
            DocumentRole::Picture => $this->package->picture($part, $this->picture),
            DocumentRole::Rule => implode('', $around),
            default => $around[0].$said($part->id, OdtPackage::box($part).$this->package->inline($part->richText())).$around[1],
        };
    }

    /** What is on both sides, in its place. */
    private function both(MarkedPart $marked): string
    {
        [$part, $before] = [$marked->part, $marked->before ?? $marked->part];
        $role = DocumentRole::from($part->role);
        if ($role === DocumentRole::Table && $before->role === $part->role && $this->isOneTable($marked)) {
            return $this->table($marked);
        }
        $around = $this->aroundNow($part);
        $at = $this->old->position($part->id) ?? 0;
        $isText = ! in_array($role, [DocumentRole::Table, DocumentRole::Picture, DocumentRole::Rule], true);
        if (
            $before->role !== $part->role
            || $role === DocumentRole::Table
            || $around !== OdtPackage::around($before, $this->old->parts[$at - 1] ?? null, $this->numbersBefore[$part->id] ?? null)
            || ($role === DocumentRole::Picture
                && ($part->string('chunk') !== $before->string('chunk') || $part->string('alt') !== $before->string('alt')))
        ) {
            $by = $this->by->of($part->id, ChangeType::Edited);

            return $this->gone($this->before($before), $by).$this->come($this->now($part), $by);
        }
        if (! $isText) {
            return $this->now($part);
        }
        [$box, $boxBefore] = [OdtPackage::box($part), OdtPackage::box($before)];
        $by = $this->by->of($part->id, ChangeType::Edited);

        return $around[0]
            .$this->annotated(
                $part->id,
                ($box === $boxBefore ? $box : $this->gone("<text:p>{$boxBefore}</text:p>", $by).$this->come($box, $by))
                    .$this->words($marked),
            )
            .$around[1];
    }

    /** Whether a table has the same rows and cells on both sides. */
    private function isOneTable(MarkedPart $table): bool
    {
        foreach ($table->children as $row) {
            foreach ([$row, ...$row->children] as $each) {
                if (
                    $each->state !== null
                    || $each->isTrace
                    || $each->movedFrom !== null
                    || ($each->before->fields['head'] ?? false) !== ($each->part->fields['head'] ?? false)
                ) {
                    return false;
                }
            }
        }

        return true;
    }

    private function table(MarkedPart $table): string
    {
        $cells = [];
        foreach ($table->children as $row) {
            foreach ($row->children as $cell) {
                $cells[$cell->part->id] = $cell;
            }
        }

        return OdtPackage::table(
            OdtWriter::rows($this->new, $table->part->id, fn (string $cell): string => $this->annotated($cell, $this->words($cells[$cell]))),
        );
    }

    private function words(MarkedPart $marked): string
    {
        $xml = '';
        foreach ($this->by->words($marked) as [$span, $by]) {
            $words = $this->package->inline($span->text);
            $xml .= match ($span->kind) {
                SpanKind::Same => $words,
                SpanKind::Added, SpanKind::Came => $this->come($words, $by),
                SpanKind::Removed, SpanKind::Went => $this->gone("<text:p>{$words}</text:p>", $by),
                SpanKind::Formatted => $this->gone('<text:p>'.$this->package->inline($span->was ?? $span->text).'</text:p>', $by)
                    .$this->come($words, $by),
            };
        }

        return $xml;
    }

    private function come(string $xml, TrackedBy $by): string
    {
        if ($xml === '') {
            return '';
        }
        $id = $this->region('insertion', $by);

        return "<text:change-start text:change-id=\"{$id}\"/>{$xml}<text:change-end text:change-id=\"{$id}\"/>";
    }

    /** @param string $xml blocks; of words, one that holds them */
    private function gone(string $xml, TrackedBy $by): string
    {
        return $xml === '' || $xml === '<text:p></text:p>'
            ? ''
            : "<text:change text:change-id=\"{$this->region('deletion', $by, $xml)}\"/>";
    }

    private function region(string $type, TrackedBy $by, string $content = ''): string
    {
        $id = 'ct'.(count($this->regions) + 1);
        $this->regions[] = "<text:changed-region xml:id=\"{$id}\" text:id=\"{$id}\"><text:{$type}><office:change-info><dc:creator>"
        .Xml::escape($by->name)
        ."</dc:creator><dc:date>{$by->at}</dc:date></office:change-info>{$content}</text:{$type}></text:changed-region>";

        return $id;
    }

    private function annotated(string $part, string $words): string
    {
        foreach ($this->by->said($part) as $comment) {
            $name = 'said'.++$this->annotations;
            $text = implode(
                '',
                array_map(fn (string $line) => '<text:p>'.Xml::escape($line).'</text:p>', explode("\n", $comment['text'])),
            );
            $words = "<office:annotation office:name=\"{$name}\"><dc:creator>"
            .Xml::escape($comment['by']->name)
            ."</dc:creator><dc:date>{$comment['by']->at}</dc:date>{$text}</office:annotation>{$words}<office:annotation-end office:name=\"{$name}\"/>";
        }

        return $words;
    }
}
