<?php

declare(strict_types=1);

namespace App\Kinds\Page;

use Illuminate\Contracts\Support\Htmlable;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Page\PageHtmlWriter;

/** A page's sections as HTML, the same that a download holds; all text is escaped by the writer. */
final readonly class PageHtml implements Htmlable
{
    /**
     * @param  \Closure(string): string  $picture  the address of a picture, by its chunk
     * @param  bool  $named  whether what shows a part says which, for those who look back
     */
    public function __construct(private PartTree $tree, private \Closure $picture, private bool $named = false) {}

    /** Whether it begins with a heading of its own, over its first section. */
    public function isTitled(): bool
    {
        return ($this->tree->parts[0] ?? null)?->string('title') !== '';
    }

    public function toHtml(): string
    {
        return PageHtmlWriter::content(
            $this->tree,
            $this->picture,
            $this->named ? static fn (string $id): string => ' id="part-'.e($id).'" data-part="'.e($id).'"' : null,
        );
    }
}
