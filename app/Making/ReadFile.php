<?php

declare(strict_types=1);

namespace App\Making;

use App\Jobs\Progress;
use App\Models\Rooms;
use MistyAttic\Core\Calculate\Functions;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\Document\DocumentFormat;
use MistyAttic\Core\Formats\Encoding;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\LeftOut;
use MistyAttic\Core\Formats\Reader;
use MistyAttic\Core\Formats\TrackedReader;
use MistyAttic\Core\Formats\TypedText;
use MistyAttic\Core\Formats\UnknownEncoding;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Formats\Workbook\CsvReader;
use MistyAttic\Core\Kinds\Formulas\Spelling;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;

/** Reads a file that somebody brings along. */
final readonly class ReadFile
{
    /** No larger than a server is set to take in: see deploy/php/attic.ini. */
    public const MOST_KB = 10_240;

    /** How much of the work of taking in a file reading it is. */
    private const SHARE = 0.6;

    /** Cells of a workbook: each takes its time and about a kilobyte, and the same as CSV takes neither. */
    private const MOST_CELLS = 300_000;

    public function __construct(private ?Progress $progress = null) {}

    /**
     * A document or a spreadsheet, as the format says; or an item of any kind, as it was downloaded.
     *
     * @param  bool  $asWritten  whether values stay as they are written, and are not read as numbers and days
     *
     * @throws Unreadable when it is none that can be read, or breaks the schema
     * @throws UnknownEncoding
     */
    public function handle(BroughtFile $file, bool $asWritten = false): Content
    {
        $format = FileFormat::ofPath($file->name);
        if ($format === FileFormat::Json) {
            return $this->item($file);
        }
        if (! $format->isTable() && (DocumentFormat::tryFrom($format->value) === null || $format === FileFormat::Text)) {
            throw Unreadable::because(__('item.file_not', ['formats' => 'Markdown, HTML, ODT, DOCX, XLSX, ODS, CSV, TSV, JSON']));
        }
        $bytes = self::decoded($format, $file->bytes, $file->encoding);
        $reader = $format->reader($this->progress?->between(0, self::SHARE));
        $content = ($reader instanceof TrackedReader ? $reader->tracked(...) : $reader->read(...))(
            $bytes,
            $bounds = self::bounds(
                $format->isTable() ? 250_000 : (new Limits)->parts,
                cells: in_array($format, [FileFormat::Xlsx, FileFormat::Ods], true) ? self::MOST_CELLS : 2_500_000,
            ),
        );
        $tree = $format->isTable()
            ? self::table(
                $content->tree,
                $format,
                $asWritten,
                $format === FileFormat::Csv && CsvReader::separator($bytes) === ';' ? ',' : '.',
            )
            : $content->tree;
        $this->check($content->kind, $tree, Limits::for($content->kind));

        return new Content(
            $content->kind,
            $tree,
            $content->pictures,
            LeftOut::of($format, $bytes, $bounds, (new Functions)->names()),
            $content->tracked,
            $content->said,
        );
    }

    /**
     * A text, by a reader of one kind's own.
     *
     * @throws Unreadable|UnknownEncoding
     */
    public function text(Reader $reader, BroughtFile $file): Content
    {
        $content = $reader->read(
            self::decoded(FileFormat::ofPath($file->name), $file->bytes, $file->encoding),
            self::bounds((new Limits)->parts),
        );
        $this->check($content->kind, $content->tree, new Limits);

        return $content;
    }

    /**
     * A text in UTF-8, however its letters are written; what is no text stays as it is.
     *
     * @throws Unreadable|UnknownEncoding
     */
    public static function decoded(FileFormat $format, string $bytes, ?string $encoding): string
    {
        if (! $format->isText()) {
            return $bytes;
        }
        // JSON between systems is UTF-8 (RFC 8259, 8.1).
        $found = Encoding::of($bytes, Encoding::declared($bytes))
        ?? (($format === FileFormat::Json ? new Encoding(Encoding::UTF8) : null)
            ?? ($encoding !== null && in_array($encoding, Encoding::possible($bytes), true)
                ? new Encoding($encoding)
                : throw new UnknownEncoding(Encoding::possible($bytes))));

        return $found->text($bytes);
    }

    /**
     * An item with its ids, as it was downloaded.
     *
     * @param  string|null  $kind  that it must be of
     *
     * @throws Unreadable|UnknownEncoding
     */
    public function item(BroughtFile $file, ?string $kind = null): Content
    {
        $content = FileFormat::Json
            ->reader()
            ->read(
                self::decoded(FileFormat::Json, $file->bytes, $file->encoding),
                new FormatLimits(bytes: self::MOST_KB * 1024, parts: 250_000),
            );
        $is = $content->kind->name();
        if (! Kinds::has($is) || ! in_array('json', Rooms::of($is, Making::class)::ENDINGS, true)) {
            throw Unreadable::because(__('item.file_not_item'));
        }
        if ($kind !== null && $is !== $kind) {
            throw Unreadable::because(__('item.file_not_kind', ['is' => $is, 'wanted' => $kind]));
        }
        $this->check($content->kind, $content->tree, Limits::for($content->kind));

        return $content;
    }

    private static function bounds(int $parts, int $cells = 0): FormatLimits
    {
        return $cells === 0
            ? new FormatLimits(bytes: self::MOST_KB * 1024, unpacked: 134_217_728, tree: 8_388_608, parts: $parts)
            : new FormatLimits(bytes: self::MOST_KB * 1024, unpacked: 134_217_728, tree: 8_388_608, parts: $parts, cells: $cells);
    }

    /** @param string $decimal the mark that is before decimals where a column of a text does not tell */
    private static function table(PartTree $tree, FileFormat $format, bool $asWritten, string $decimal): PartTree
    {
        $named = PartTree::of(
            array_map(
                fn (Part $part) => $part->role === 'tab' && $part->string('name') === ''
                    ? $part->with('name', (string) __('item.unnamed_tab'))
                    : $part,
                $tree->parts,
            ),
        );

        return match (true) {
            $format === FileFormat::Xlsx || $format === FileFormat::Ods => Spelling::kept($named),
            $asWritten => TypedText::plain($named),
            default => TypedText::in($named, $decimal),
        };
    }

    private function check(Kind $kind, PartTree $tree, Limits $limits): void
    {
        foreach ($kind->problems($tree, $limits) as $problem) {
            throw Unreadable::because(lcfirst(rtrim(__("problems.{$problem->code}", array_map(strval(...), $problem->variables)), '.')));
        }
    }
}
