<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Page;

use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\Document\MarkdownReader;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Reader;

/** Markdown as a page: headings of the first level begin sections of one column. */
final class PageMarkdownReader implements Reader
{
    public function read(string $bytes, FormatLimits $limits): Content
    {
        $builder = new PageBuilder($limits, linksAreButtons: true);
        $builder->document((new MarkdownReader)->read($bytes, $limits));

        return $builder->content();
    }
}
