<?php

declare(strict_types=1);

namespace App\Actions;

use App\Jobs\Progress;
use MistyAttic\Core\Calculate\Functions;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\DocumentFormat;
use MistyAttic\Core\Formats\Encoding;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\LeftOut;
use MistyAttic\Core\Formats\Page\PageFormat;
use MistyAttic\Core\Formats\TypedText;
use MistyAttic\Core\Formats\UnknownEncoding;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Kinds\Spreadsheet\Spelling;

/** Reads a file that somebody brings along, as a document, a spreadsheet or a page. */
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
     * @param  string|null  $kind  `page` for a file that shall become one, `dataset` for values as they are written; else the format says
     *
     * @param  string|null  $encoding  of a text that does not say itself how its letters are written
     *
     * @throws Unreadable when it is none that can be read, or breaks the schema
     * @throws UnknownEncoding
     */
    public function handle(string $name, string $bytes, ?string $kind = null, ?string $encoding = null): Content
    {
        $format = FileFormat::ofPath($name);
        $bytes = self::text($format, $bytes, $encoding);
        if ($format === FileFormat::Json) {
            return $this->item($bytes, $kind);
        }
        if ($kind === 'form' || $kind === 'report') {
            throw Unreadable::because(__('item.file_only_json', ['kind' => $kind]));
        }
        if ($kind === 'page') {
            return $this->page($format, $bytes, new Limits);
        }
        if (! $format->isTable() && (DocumentFormat::tryFrom($format->value) === null || $format === FileFormat::Text)) {
            throw Unreadable::because(__('item.file_not', ['formats' => 'Markdown, HTML, ODT, DOCX, XLSX, ODS, CSV, TSV, JSON']));
        }
        $limits = new Limits;
        $content = $format->reader($this->progress?->between(0, self::SHARE))->read($bytes, $bounds = new FormatLimits(bytes: self::MOST_KB * 1024, unpacked: 134_217_728, tree: 8_388_608, parts: $format->isTable() ? 250_000 : $limits->parts, cells: in_array($format, [FileFormat::Xlsx, FileFormat::Ods], true) ? self::MOST_CELLS : 2_500_000));

        $read = $format->isTable() ? $this->table($content, $format, $kind) : $this->document($content, $limits);

        return new Content($read->kind, $read->tree, $read->pictures, LeftOut::of($format, $bytes, $bounds, (new Functions)->names()));
    }

    /**
     * A text in UTF-8, however its letters are written; what is no text stays as it is.
     *
     * @throws Unreadable|UnknownEncoding
     */
    public static function text(FileFormat $format, string $bytes, ?string $encoding): string
    {
        if (! $format->isText()) {
            return $bytes;
        }
        // JSON between systems is UTF-8 (RFC 8259, 8.1).
        $found = Encoding::of($bytes, Encoding::declared($bytes)) ?? ($format === FileFormat::Json ? new Encoding(Encoding::UTF8) : null) ?? ($encoding !== null && in_array($encoding, Encoding::possible($bytes), true) ? new Encoding($encoding) : throw new UnknownEncoding(Encoding::possible($bytes)));

        return $found->text($bytes);
    }

    /** An item of any kind, with its ids, as it was downloaded. */
    private function item(string $bytes, ?string $kind): Content
    {
        $content = FileFormat::Json->reader()->read($bytes, new FormatLimits(bytes: self::MOST_KB * 1024, parts: 250_000));
        if (! in_array($content->kind->name(), ['document', 'spreadsheet', 'page', 'form', 'report', 'dataset'], true)) {
            throw Unreadable::because(__('item.file_not_item'));
        }
        if ($kind !== null && $content->kind->name() !== $kind) {
            throw Unreadable::because(__('item.file_not_kind', ['is' => $content->kind->name(), 'wanted' => $kind]));
        }
        $this->check($content->kind, $content->tree, Limits::for($content->kind));

        return $content;
    }

    private function page(FileFormat $format, string $bytes, Limits $limits): Content
    {
        $reader = PageFormat::tryFrom($format->value)?->reader() ?? throw Unreadable::because(__('item.file_not_page', ['formats' => 'HTML, Markdown, JSON']));
        $content = $reader->read($bytes, new FormatLimits(bytes: self::MOST_KB * 1024, tree: 8_388_608, parts: $limits->parts));
        $this->check($content->kind, $content->tree, $limits);

        return $content;
    }

    private function document(Content $content, Limits $limits): Content
    {
        $this->check($content->kind, $content->tree, $limits);

        return $content;
    }

    private function table(Content $content, FileFormat $format, ?string $kind): Content
    {
        $tree = PartTree::of(array_map(fn (Part $part) => $part->role === 'tab' && $part->string('name') === '' ? $part->with('name', 'Sheet') : $part, $content->tree->parts));
        $tree = $format === FileFormat::Xlsx || $format === FileFormat::Ods ? Spelling::kept($tree) : ($kind === 'dataset' ? TypedText::plain($tree) : TypedText::in($tree));
        $this->check($content->kind, $tree, Limits::for($content->kind));

        return new Content($content->kind, $tree);
    }

    private function check(Kind $kind, PartTree $tree, Limits $limits): void
    {
        foreach ($kind->problems($tree, $limits) as $problem) {
            throw Unreadable::because(lcfirst(rtrim(__("problems.{$problem->code}", array_map(strval(...), $problem->variables)), '.')));
        }
    }
}
