<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

/** The formats that a document can be downloaded in; the value is the ending of the file. */
enum DocumentFormat: string
{
    case Html = 'html';
    case Markdown = 'md';
    case PlainText = 'txt';

    public function writer(): Writer
    {
        return match ($this) {
            self::Html => new HtmlWriter,
            self::Markdown => new MarkdownWriter,
            self::PlainText => new PlainTextWriter,
        };
    }
}
