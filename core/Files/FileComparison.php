<?php

declare(strict_types=1);

namespace MistyAttic\Core\Files;

use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Match\Matched;
use MistyAttic\Core\Compare\Match\Matching;
use MistyAttic\Core\Compare\Telling\Statement;
use MistyAttic\Core\Compare\Telling\Statements;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Data\DataKind;
use MistyAttic\Core\Kinds\Kind;

/** What changed between two files: line by line for texts, part by part for all that has parts. */
final readonly class FileComparison
{
    /**
     * @param  Kind|null  $kind  null for plain texts, which have lines alone
     * @param  list<Statement>  $statements
     * @param  string  $oldText  what the lines are of: the earlier text in UTF-8 or, where the two are written otherwise, its bytes
     */
    private function __construct(
        public FileFormat $format,
        public bool $same,
        public bool $exact,
        public ?Kind $kind,
        public PartTree $old,
        public PartTree $new,
        public ChangeSet $changes,
        public array $statements,
        public ?LineChanges $lines,
        public string $oldText,
    ) {}

    /** @throws Unreadable when either can't be read, or they are of two kinds */
    public static function of(Source $old, Source $new): self
    {
        $format = $old->format;
        // Where both are written alike, lines are told as they read; else byte by byte.
        $isAlike = $old->encoding->name === $new->encoding->name && $old->encoding->mark === $new->encoding->mark;
        [$was, $is] = $isAlike ? [$old->text(), $new->text()] : [$old->bytes, $new->bytes];
        $lines = $format->isText() ? LineChanges::between($was, $is) : null;
        if ($format === FileFormat::Text) {
            [$none, $isSame] = [PartTree::of([]), $old->bytes === $new->bytes];

            return new self($format, $isSame, $lines->exact ?? true, null, $none, $none, new ChangeSet([]), [], $lines, $was);
        }
        $kind = $old->content()->kind;
        if ($kind->name() !== $new->content()->kind->name()) {
            throw Unreadable::because("one is a {$kind->name()} and the other a {$new->content()->kind->name()}");
        }
        $before = $old->content()->tree;
        // Large tables do not fit into memory twice over.
        $matched = $old->bytes === $new->bytes ? null : self::matched($before, $new->handOver()->tree, $kind, $format);
        $after = $matched->tree ?? $before;
        $changes = TreeCompare::of($before, $after);
        $exact = ($matched->exact ?? true) && ($lines->exact ?? true);

        return new self(
            $format,
            $changes->isEmpty() && ($lines === null || $lines->hunks === []),
            $exact,
            $kind,
            $before,
            $after,
            new ChangeSet($changes->changes, $exact),
            Statements::of($kind, $before, $after, $changes),
            $lines,
            $was,
        );
    }

    /**
     * Two versions of an item, for the same reports.
     *
     * @param  list<Statement>  $statements
     */
    public static function ofVersions(Kind $kind, PartTree $old, PartTree $new, ChangeSet $changes, array $statements): self
    {
        return new self(FileFormat::Json, $changes->isEmpty(), $changes->exact, $kind, $old, $new, $changes, $statements, null, '');
    }

    /** Items of ours share ids; what is read from files of other formats does not. */
    public static function matched(PartTree $old, PartTree $new, Kind $kind, FileFormat $format): Matched
    {
        $shared = $format === FileFormat::Json && ! $kind instanceof DataKind && array_intersect_key($old->byId(), $new->byId()) !== [];

        return $shared ? new Matched($new, true) : Matching::adopt($old, $new, $kind->grid());
    }
}
