<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Words\Numbers;
use Illuminate\Support\Facades\Process;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\Encoding;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\File\FileKind;
use MistyAttic\Core\Kinds\File\FileRole;
use ZipArchive;

/** Files as what they can be read as: the parts of another kind, or lines. */
final class Reading
{
    /** Bytes of a file that is read. */
    private const MOST = 10_485_760;

    /** Endings of the formats of other kinds. */
    private const PARTS = ['odt', 'docx', 'xlsx', 'ods', 'csv', 'tsv', 'html', 'htm', 'md', 'markdown', 'json'];

    private const MOST_LINES = 20_000;

    /** Seconds. */
    private const PATIENCE = 20;

    public static function canBeParts(FileState $file): bool
    {
        return $file->size <= self::MOST
            && in_array($file->ending(), self::PARTS, true)
            && ($file->isText || str_contains($file->media, 'zip') || str_contains($file->media, 'document'));
    }

    /** Whether it is read as rows and columns. */
    public static function isTable(FileState $file): bool
    {
        return in_array($file->ending(), ['xlsx', 'ods', 'csv', 'tsv'], true);
    }

    public static function canBeLines(FileState $file): bool
    {
        return $file->size <= self::MOST && ($file->media === 'application/pdf' || self::isArchive($file));
    }

    /** @throws Unreadable */
    public static function parts(FileState $file): Content
    {
        $format = FileFormat::ofPath($file->name);
        $bytes = $file->whole();
        $text = $format->isText()
            ? (
                Encoding::of($bytes, Encoding::declared($bytes))
                ?? new Encoding(Encoding::possible($bytes)[0] ?? Encoding::kept($bytes)->name)
            )->text($bytes)
            : $bytes;

        return $format->reader()->read($text, new FormatLimits(bytes: self::MOST, parts: 50_000, cells: 300_000));
    }

    /**
     * Its text in lines; a PDF in pages, an archive with a line for each file in it.
     *
     * @throws Unreadable
     */
    public static function lines(FileState $file): Content
    {
        if ($file->isText) {
            return new Content(new FileKind, $file->tree);
        }
        $pages = $file->media === 'application/pdf'
            ? self::pdf($file->whole())
            : [(string) __('file.in_archive') => self::archive($file->whole())];
        $parts = [new Part('file', FileRole::Bytes->value, 0, ['name' => $file->name, 'media' => $file->media, 'mark' => false])];
        $count = 0;
        foreach ($pages as $title => $lines) {
            $parts[] = new Part(sprintf('page%04d', count($parts)), FileRole::Page->value, 1, ['title' => (string) $title]);
            foreach ($lines as $line) {
                if (++$count > self::MOST_LINES) {
                    break 2;
                }
                $parts[] = new Part(sprintf('l%05d', $count), FileRole::Line->value, 2, ['text' => RichText::plain($line), 'end' => 'lf']);
            }
        }

        return new Content(new FileKind, PartTree::of($parts));
    }

    private static function isArchive(FileState $file): bool
    {
        return $file->media === 'application/zip'
            || (str_contains($file->media, 'zip') && ! in_array($file->ending(), self::PARTS, true) && $file->ending() === 'zip');
    }

    /**
     * By pdftotext of Poppler, which reads it from a pipe and writes nothing.
     *
     * @return array<string, list<string>> page => lines
     *
     * @throws Unreadable
     */
    private static function pdf(string $bytes): array
    {
        $read = Process::timeout(self::PATIENCE)->input($bytes)->run(['pdftotext', '-layout', '-enc', 'UTF-8', '-', '-']);
        if (! $read->successful()) {
            throw Unreadable::because(__('file.no_pdf_text'));
        }
        $pages = [];
        foreach (explode("\f", rtrim($read->output(), "\f")) as $at => $page) {
            $lines = array_map(
                fn (string $line): string => trim((string) preg_replace('/(\S) {2,}/u', '$1  ', rtrim(mb_scrub($line)))),
                explode("\n", trim($page, "\n")),
            );
            $pages[(string) __('file.page', ['number' => (string) ($at + 1)])] = array_values(
                array_filter($lines, fn (string $line) => $line !== ''),
            );
        }

        return $pages;
    }

    /**
     * What it lists, without unpacking anything.
     *
     * @return list<string> in the order of the names
     *
     * @throws Unreadable
     */
    private static function archive(string $bytes): array
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'attic');
        file_put_contents($path, $bytes);
        $zip = new ZipArchive;
        try {
            if ($zip->open($path, ZipArchive::RDONLY) !== true) {
                throw Unreadable::because(__('file.no_list'));
            }
            $lines = [];
            for ($at = 0; $at < min($zip->numFiles, self::MOST_LINES); $at++) {
                $one = $zip->statIndex($at);
                if (is_array($one) && ! str_ends_with($one['name'], '/')) {
                    $lines[$one['name']] = mb_scrub($one['name'])
                    .' · '
                    .__('file.bytes', ['count' => Numbers::said($one['size'])])
                    .' · '
                    .sprintf('%08x', $one['crc'] & 0xffffffff);
                }
            }
            $zip->close();
        } finally {
            unlink($path);
        }
        ksort($lines, SORT_STRING);

        return array_values($lines);
    }
}
