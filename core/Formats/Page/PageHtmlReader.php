<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Page;

use DOMElement;
use DOMNode;
use Masterminds\HTML5;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\Document\HtmlReader;
use MistyAttic\Core\Formats\Document\HtmlWriter;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Reader;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Formats\Xml;
use MistyAttic\Core\Kinds\Page\PageRole;

/**
 * HTML (Living Standard) as a page. Sections, columns and blocks are told by what {@see PageHtmlWriter} writes; all else is
 * read as a document would be, and its parts become blocks.
 */
final class PageHtmlReader implements Reader
{
    private PageBuilder $page;

    private FormatLimits $limits;

    public function read(string $bytes, FormatLimits $limits): Content
    {
        if (strlen($bytes) > $limits->tree) {
            throw Unreadable::because('HTML is read up to '.intdiv($limits->tree, 1_048_576).' MB');
        }
        $bytes = mb_scrub(str_replace("\0", '', $bytes));
        HtmlReader::checkShape($bytes, $limits->depth);
        [$this->page, $this->limits] = [new PageBuilder($limits), $limits];
        $document = (new HTML5(['disable_html_ns' => true]))->loadHTML($bytes);
        $body = $document->getElementsByTagName('body')->item(0) ?? $document->documentElement;
        $main = $document->getElementsByTagName('main')->item(0) ?? $body;
        if ($main !== null) {
            $this->top($main);
        }

        return $this->page->content();
    }

    /** Sections one by one; what is beside them is read as blocks of the section before. */
    private function top(DOMElement $main): void
    {
        $loose = [];
        foreach ($main->childNodes as $child) {
            if ($child instanceof DOMElement && strtolower($child->nodeName) === 'section') {
                $this->blocks($loose, false);
                $loose = [];
                $this->section($child);
            } else {
                $loose[] = $child;
            }
        }
        $this->blocks($loose, false);
    }

    private function section(DOMElement $section): void
    {
        $title = Xml::child($section, 'h1');
        $titled = $title !== null && $title->getAttribute('class') === 'title';
        $this->page->section($titled ? self::text($title) : '', $section->getAttribute('class'));
        $loose = [];
        foreach ($section->childNodes as $child) {
            if ($child instanceof DOMElement && $child->getAttribute('class') === 'columns') {
                foreach (Xml::children($child, 'div') as $column) {
                    $this->page->column((int) $column->getAttribute('data-width') ?: 12);
                    $this->blocks(iterator_to_array($column->childNodes), true);
                }
            } elseif (! ($titled && $child === $title)) {
                $loose[] = $child;
            }
        }
        $this->blocks($loose, true);
    }

    /**
     * @param  array<DOMNode>  $nodes
     * @param  bool  $inside  of a section, so that no heading begins another
     */
    private function blocks(array $nodes, bool $inside): void
    {
        $plain = '';
        foreach ($nodes as $node) {
            $block = $node instanceof DOMElement ? $this->block($node) : null;
            if ($block === null) {
                $plain .= (string) $node->ownerDocument?->saveHTML($node);

                continue;
            }
            $this->plain($plain, $inside);
            $plain = '';
            $block();
        }
        $this->plain($plain, $inside);
    }

    private function plain(string $html, bool $inside): void
    {
        if (trim($html) !== '') {
            $this->page->document((new HtmlReader)->read($html, $this->limits), $inside);
        }
    }

    /** @return \Closure(): void|null null when it is nothing that only pages have */
    private function block(DOMElement $element): ?\Closure
    {
        $class = $element->getAttribute('class');

        return match (strtolower($element->nodeName)) {
            'aside' => fn () => $this->page->block(PageRole::CallOut, [
                'tone' => in_array($class, ['good', 'warning'], true) ? $class : 'note',
                'text' => $this->rich($element),
            ]),
            'nav' => fn () => $this->links($element),
            // A document ends at the fourth level, which is a page's third.
            'h5', 'h6' => fn () => $this->page->block(PageRole::Heading, ['level' => 4, 'text' => $this->rich($element)]),
            'address' => fn () => $this->contact($element),
            'figure' => $element->getElementsByTagName('img')->length === 1 ? fn () => $this->picture($element) : null,
            'table' => $class === 'hours' ? fn () => $this->hours($element) : null,
            'p' => match ($class) {
                'figure' => fn () => $this->page->block(PageRole::Figure, [
                    'label' => self::text($element),
                    'source' => self::target($element),
                ]),
                'button' => fn () => $this->page->block(PageRole::Button, [
                    'label' => self::text($element),
                    'target' => self::target($element),
                ]),
                default => null,
            },
            default => null,
        };
    }

    private function rich(DOMElement $element): RichText
    {
        $paragraphs = [];
        foreach ((new HtmlReader)->read((string) $element->ownerDocument?->saveHTML($element), $this->limits)->tree->parts as $part) {
            if (! $part->richText()->isEmpty()) {
                array_push($paragraphs, ...($paragraphs === [] ? [] : RichText::plain("\n")->runs), ...$part->richText()->runs);
            }
        }

        return new RichText($paragraphs);
    }

    private function links(DOMElement $element): void
    {
        $labels = $targets = [];
        foreach (iterator_to_array($element->getElementsByTagName('li')) as $line) {
            $labels[] = self::text($line);
            $targets[] = self::target($line);
        }
        $this->page->block(PageRole::Links, [
            'title' => self::first($element, 'strong', 200),
            'labels' => array_slice($labels, 0, 50),
            'targets' => array_slice($targets, 0, 50),
        ]);
    }

    private function hours(DOMElement $element): void
    {
        $days = $times = [];
        foreach (iterator_to_array($element->getElementsByTagName('tr')) as $row) {
            $cells = iterator_to_array(Xml::children($row, 'th', 'td'), false);
            $days[] = isset($cells[0]) ? self::text($cells[0]) : '';
            $times[] = isset($cells[1]) ? self::text($cells[1]) : '';
        }
        $this->page->block(PageRole::Hours, [
            'title' => self::first($element, 'caption', 200),
            'days' => array_slice($days, 0, 40),
            'times' => array_slice($times, 0, 40),
        ]);
    }

    private function contact(DOMElement $element): void
    {
        $lines = explode("\n", $this->rich($element)->text());
        $name = $element->getElementsByTagName('strong')->item(0);
        if ($name !== null && trim($name->textContent) === '') {
            $lines = ['', ...array_filter($lines, fn (string $line) => trim($line) !== '')];
        }
        $this->page->block(PageRole::Contact, [
            'name' => mb_substr(trim($lines[0]), 0, 200),
            'lines' => array_slice(array_map(fn (string $line) => mb_substr(trim($line), 0, 500), array_slice($lines, 1)), 0, 20),
        ]);
    }

    /** The picture goes the way of a document's; the caption is added. */
    private function picture(DOMElement $element): void
    {
        $img = $element->getElementsByTagName('img')->item(0);
        $document = $img === null
            ? null
            : (new HtmlReader)->read(
                '<img src="'
                    .HtmlWriter::escape($img->getAttribute('src'))
                    .'" alt="'
                    .HtmlWriter::escape($img->getAttribute('alt'))
                    .'">',
                $this->limits,
            );
        if ($document !== null) {
            $this->page->document($document, true, self::first($element, 'figcaption', 500));
        }
    }

    private static function first(DOMElement $element, string $name, int $most): string
    {
        $found = $element->getElementsByTagName($name)->item(0);

        return $found === null ? '' : mb_substr(self::text($found), 0, $most);
    }

    private static function target(DOMElement $element): string
    {
        $href = (string) $element->getElementsByTagName('a')->item(0)?->getAttribute('href');

        return RichText::isLink($href) ? $href : '';
    }

    private static function text(DOMElement $element): string
    {
        return mb_substr(trim((string) preg_replace('/\s+/u', ' ', $element->textContent)), 0, 200);
    }
}
