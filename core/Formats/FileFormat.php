<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use Closure;
use MistyAttic\Core\Formats\Document\DocxReader;
use MistyAttic\Core\Formats\Document\HtmlReader;
use MistyAttic\Core\Formats\Document\MarkdownReader;
use MistyAttic\Core\Formats\Document\OdtReader;
use MistyAttic\Core\Formats\Workbook\CsvReader;
use MistyAttic\Core\Formats\Workbook\OdsReader;
use MistyAttic\Core\Formats\Workbook\XlsxReader;

/** The open formats that files are read from and written in; the value is the ending. */
enum FileFormat: string
{
    case Text = 'txt';
    case Markdown = 'md';
    case Html = 'html';
    case Csv = 'csv';
    case Tsv = 'tsv';
    case Json = 'json';
    case Xlsx = 'xlsx';
    case Ods = 'ods';
    case Odt = 'odt';
    case Docx = 'docx';

    /** @throws Unreadable for an ending that is none of these */
    public static function ofPath(string $path): self
    {
        $ending = strtolower(pathinfo($path, PATHINFO_EXTENSION));

        return self::tryFrom($ending)
            ?? match ($ending) {
                'text' => self::Text,
                'markdown' => self::Markdown,
                'htm', 'xhtml' => self::Html,
                default => throw Unreadable::because(
                    'its ending is none of '.implode(' ', array_map(fn (self $format) => '.'.$format->value, self::cases())),
                ),
            };
    }

    /** Whether a file of the format is made of lines that a person may read. */
    public function isText(): bool
    {
        return ! in_array($this, [self::Xlsx, self::Ods, self::Odt, self::Docx], true);
    }

    public function isTable(): bool
    {
        return in_array($this, [self::Csv, self::Tsv, self::Xlsx, self::Ods], true);
    }

    /** @param (Closure(float): void)|null $share is told now and then how far reading has come, from 0 to 1; by formats that know */
    public function reader(?Closure $share = null): Reader
    {
        return match ($this) {
            self::Text => new LineReader,
            self::Markdown => new MarkdownReader,
            self::Html => new HtmlReader,
            self::Csv, self::Tsv => new CsvReader($this === self::Tsv ? "\t" : null),
            self::Json => new JsonReader,
            self::Xlsx => new XlsxReader($share),
            self::Ods => new OdsReader,
            self::Odt => new OdtReader,
            self::Docx => new DocxReader,
        };
    }
}
