<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use Closure;
use DOMElement;
use MistyAttic\Core\Formats\Xml;

/**
 * The tracked changes of a text settled, each by its author: accepted, or rejected as if they had never been (ECMA-376 part 1, 17.13.5).
 * Changes the tree that it is given.
 */
final readonly class DocxSettling
{
    private const COMES = ['w:ins', 'w:moveTo'];

    private const GOES = ['w:del', 'w:moveFrom'];

    private const PROPERTIES = ['w:rPr', 'w:pPr', 'w:trPr', 'w:tblPr', 'w:tcPr', 'w:sectPr'];

    /** @param Closure(string): bool $accepts whether what an author changed is accepted */
    private function __construct(private Closure $accepts) {}

    /** @param Closure(string): bool $accepts */
    public static function of(DOMElement $body, Closure $accepts): void
    {
        (new self($accepts))->settle($body);
    }

    /** @return list<string> whoever changed something, in the order in which they are met */
    public static function authors(DOMElement $body): array
    {
        $authors = [];
        foreach (Xml::children($body) as $element) {
            if (
                in_array(
                    $element->nodeName,
                    [...self::COMES, ...self::GOES, 'w:cellIns', 'w:cellDel', 'w:rPrChange', 'w:pPrChange', 'w:trPrChange'],
                    true,
                )
            ) {
                $authors[] = $element->getAttribute('w:author');
            }
            array_push($authors, ...self::authors($element));
        }

        return array_values(array_unique($authors));
    }

    private function settle(DOMElement $parent): void
    {
        foreach (iterator_to_array(Xml::children($parent), false) as $element) {
            match (true) {
                in_array($element->nodeName, self::PROPERTIES, true) => $this->properties($element),
                in_array($element->nodeName, self::COMES, true) => $this->content($element, $this->isAccepted($element)),
                in_array($element->nodeName, self::GOES, true) => $this->content($element, ! $this->isAccepted($element)),
                $element->nodeName === 'w:tr' && $this->isGone($element, 'w:trPr', self::COMES, self::GOES) => $element->remove(),
                $element->nodeName === 'w:tc' && $this->isGone($element, 'w:tcPr', ['w:cellIns'], ['w:cellDel']) => $element->remove(),
                default => $this->settle($element),
            };
            if ($element->nodeName === 'w:tbl' && Xml::child($element, 'w:tr') === null) {
                $element->remove();
            }
        }
        foreach (iterator_to_array(Xml::children($parent, 'w:p'), false) as $paragraph) {
            if ($this->hasLostItsEnd($paragraph)) {
                $this->join($paragraph);
            }
        }
    }

    private function isAccepted(DOMElement $change): bool
    {
        return ($this->accepts)($change->getAttribute('w:author'));
    }

    /** What is in a change stays where that was, or goes with it. */
    private function content(DOMElement $change, bool $stays): void
    {
        if (! $stays) {
            $change->remove();

            return;
        }
        $this->settle($change);
        foreach (iterator_to_array(Xml::all($change, 'w:delText'), false) as $deleted) {
            $text = $change->ownerDocument?->createElement('w:t');
            if ($text instanceof DOMElement) {
                $text->textContent = $deleted->textContent;
                $deleted->replaceWith($text);
            }
        }
        $change->replaceWith(...iterator_to_array($change->childNodes, false));
    }

    /** The looks of before come back where their change is rejected; what marks a paragraph or a row is looked at with that. */
    private function properties(DOMElement $properties): void
    {
        foreach (iterator_to_array(Xml::children($properties), false) as $element) {
            if ($element->nodeName === 'w:rPr') {
                $this->properties($element);
            }
            if ($element->nodeName !== "{$properties->nodeName}Change") {
                continue;
            }
            if (! $this->isAccepted($element)) {
                $was = Xml::child($element, $properties->nodeName);
                foreach (iterator_to_array(Xml::children($properties), false) as $now) {
                    // The end of a paragraph has looks of its own, which are no part of this.
                    if (
                        $now !== $element
                        && ! ($properties->nodeName === 'w:pPr' && in_array($now->nodeName, ['w:rPr', 'w:sectPr'], true))
                        && ! in_array($now->nodeName, [...self::COMES, ...self::GOES], true)
                    ) {
                        $now->remove();
                    }
                }
                foreach ($was === null ? [] : iterator_to_array($was->childNodes, false) as $before) {
                    $properties->insertBefore($before, $element);
                }
            }
            $element->remove();
        }
    }

    /**
     * @param  list<string>  $comes
     * @param  list<string>  $goes
     */
    private function isGone(DOMElement $element, string $properties, array $comes, array $goes): bool
    {
        foreach (Xml::children(Xml::child($element, $properties) ?? new DOMElement('none')) as $mark) {
            if (
                (in_array($mark->nodeName, $comes, true) && ! $this->isAccepted($mark))
                || (in_array($mark->nodeName, $goes, true) && $this->isAccepted($mark))
            ) {
                return true;
            }
        }

        return false;
    }

    private function hasLostItsEnd(DOMElement $paragraph): bool
    {
        $properties = Xml::child($paragraph, 'w:pPr');

        return $properties !== null && $this->isGone($properties, 'w:rPr', self::COMES, self::GOES);
    }

    /** A paragraph without its end is one with the next, which has the looks of both. */
    private function join(DOMElement $paragraph): void
    {
        $content = array_filter(
            iterator_to_array(Xml::children($paragraph), false),
            fn (DOMElement $element) => $element->nodeName !== 'w:pPr',
        );
        $next = $paragraph->nextElementSibling;
        if (! self::says($paragraph)) {
            $paragraph->remove();
        } elseif ($next?->nodeName === 'w:p') {
            $properties = Xml::child($next, 'w:pPr');
            $properties === null ? $next->prepend(...$content) : $properties->after(...$content);
            $paragraph->remove();
        }
    }

    /** Whether anything is read there; where comments begin and end, nothing is. */
    private static function says(DOMElement $element): bool
    {
        foreach (Xml::children($element) as $child) {
            if (
                in_array($child->nodeName, ['w:t', 'w:tab', 'w:br', 'w:cr', 'w:drawing', 'w:pict', 'w:noBreakHyphen', 'w:tbl'], true)
                || ($child->nodeName !== 'w:pPr' && self::says($child))
            ) {
                return true;
            }
        }

        return false;
    }
}
