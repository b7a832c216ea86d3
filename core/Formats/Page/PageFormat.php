<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Page;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Reader;

/** The formats that a page is read from and written in; the value is the ending. */
enum PageFormat: string
{
    case Html = 'html';
    case Markdown = 'md';

    public function label(): string
    {
        return match ($this) {
            self::Html => 'HTML, one file',
            self::Markdown => 'Markdown',
        };
    }

    public function mediaType(): string
    {
        return match ($this) {
            self::Html => 'text/html; charset=utf-8',
            self::Markdown => 'text/markdown; charset=utf-8',
        };
    }

    /** @param \Closure(string): ?string $picture gives the `data:` address of a picture, by its chunk's address in hexadecimal */
    public function write(string $title, PartTree $tree, \Closure $picture): string
    {
        return match ($this) {
            self::Html => (new PageHtmlWriter)->write($title, $tree, $picture),
            self::Markdown => (new PageMarkdownWriter)->write($title, $tree, $picture),
        };
    }

    public function reader(): Reader
    {
        return match ($this) {
            self::Html => new PageHtmlReader,
            self::Markdown => new PageMarkdownReader,
        };
    }
}
