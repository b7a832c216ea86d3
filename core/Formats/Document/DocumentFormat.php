<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use MistyAttic\Core\Formats\Writer;

/** The formats that a document can be downloaded in; the value is the ending of the file. */
enum DocumentFormat: string
{
    case Html = 'html';
    case Markdown = 'md';
    case Odt = 'odt';
    case Docx = 'docx';
    case PlainText = 'txt';

    /** As people call it. */
    public function label(): string
    {
        return match ($this) {
            self::Html => 'HTML',
            self::Markdown => 'Markdown',
            self::Odt => 'ODT',
            self::Docx => 'DOCX',
            self::PlainText => 'Plain text',
        };
    }

    public function writer(): Writer
    {
        return match ($this) {
            self::Html => new HtmlWriter,
            self::Markdown => new MarkdownWriter,
            self::Odt => new OdtWriter,
            self::Docx => new DocxWriter,
            self::PlainText => new PlainTextWriter,
        };
    }
}
