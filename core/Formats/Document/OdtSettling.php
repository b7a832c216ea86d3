<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use Closure;
use DOMElement;
use DOMNode;
use MistyAttic\Core\Formats\Xml;

/**
 * The tracked changes of a text settled, each by its author: accepted, or rejected as if they had never been (ODF 1.3 part 3, 5.5). Changes
 * the tree that it is given. What looked different before can't be told: the standard keeps no look of then.
 */
final class OdtSettling
{
    private const PARAGRAPHS = ['text:p', 'text:h'];

    private const MARKS = ['text:change', 'text:change-start', 'text:change-end'];

    /** @var array<string, DOMElement> change => insertion or deletion */
    private array $changes = [];

    /** @param Closure(string): bool $accepts whether what an author changed is accepted */
    private function __construct(private readonly DOMElement $text, private readonly Closure $accepts)
    {
        foreach (Xml::children($text, 'text:tracked-changes') as $all) {
            foreach (Xml::children($all, 'text:changed-region') as $region) {
                $change = Xml::child($region, 'text:insertion') ?? Xml::child($region, 'text:deletion');
                if ($change !== null) {
                    $this->changes[self::id($region)] = $change;
                }
            }
        }
    }

    /** @param Closure(string): bool $accepts */
    public static function of(DOMElement $text, Closure $accepts): void
    {
        (new self($text, $accepts))->settle();
    }

    /** @return list<string> whoever changed something, in the order of the file */
    public static function authors(DOMElement $text): array
    {
        return array_values(array_unique(array_map(self::author(...), array_values((new self($text, fn (): bool => true))->changes))));
    }

    private function settle(): void
    {
        // The last deletion first: what it brings back may hold marks as well, and is looked through again.
        for ($more = true; $more;) {
            $more = false;
            foreach (array_reverse($this->marks('text:change')) as $mark) {
                $change = $this->changes[$mark->getAttribute('text:change-id')] ?? null;
                if ($change?->nodeName === 'text:deletion' && ! $this->isAccepted($change)) {
                    $this->bringBack($mark, $change);
                    // Once is enough, whatever a file says.
                    unset($this->changes[$mark->getAttribute('text:change-id')]);
                    $more = true;
                } else {
                    $mark->remove();
                }
            }
        }
        $ends = [];
        foreach ($this->marks('text:change-end') as $end) {
            $ends[$end->getAttribute('text:change-id')] = $end;
        }
        foreach ($this->marks('text:change-start') as $start) {
            $change = $this->changes[$start->getAttribute('text:change-id')] ?? null;
            $end = $ends[$start->getAttribute('text:change-id')] ?? null;
            if ($change?->nodeName === 'text:insertion' && $end !== null && ! $this->isAccepted($change)) {
                $this->takeOut($start, $end);
            }
        }
        foreach ([...$this->marks('text:change-start'), ...$this->marks('text:change-end')] as $mark) {
            $mark->remove();
        }
        $this->changes === [] || $this->prune($this->text);
    }

    /** @return list<DOMElement> in the order of the text */
    private function marks(string $name): array
    {
        return array_values(
            array_filter(
                iterator_to_array(Xml::all($this->text, $name), false),
                fn (DOMElement $mark) => ! self::isWithin($mark, 'text:tracked-changes'),
            ),
        );
    }

    private static function isWithin(DOMElement $element, string $name): bool
    {
        for ($at = $element->parentNode; $at instanceof DOMElement; $at = $at->parentNode) {
            if ($at->nodeName === $name) {
                return true;
            }
        }

        return false;
    }

    private function isAccepted(DOMElement $change): bool
    {
        return ($this->accepts)(self::author($change));
    }

    private static function author(DOMElement $change): string
    {
        return trim(Xml::child($change, 'office:change-info', 'dc:creator')->textContent ?? '');
    }

    private static function id(DOMElement $region): string
    {
        return $region->getAttribute('xml:id') ?: $region->getAttribute('text:id');
    }

    /**
     * What was deleted, where its mark is: blocks between blocks; within one, the words of the first and the last block are one with those
     * around (5.5.4).
     */
    private function bringBack(DOMElement $mark, DOMElement $deletion): void
    {
        $blocks = array_map(
            fn (DOMElement $block): DOMNode => $block->cloneNode(true),
            array_values(
                array_filter(
                    iterator_to_array(Xml::children($deletion), false),
                    fn (DOMElement $block) => $block->nodeName !== 'office:change-info',
                ),
            ),
        );
        $paragraph = self::paragraph($mark);
        $isWords = $paragraph !== null && count($blocks) === 1 && in_array($blocks[0]->nodeName, self::PARAGRAPHS, true);
        if ($paragraph === null || $isWords) {
            $mark->replaceWith(...($isWords ? iterator_to_array($blocks[0]->childNodes, false) : $blocks));

            return;
        }
        $rest = self::cut($paragraph, $mark);
        $mark->remove();
        $last = array_pop($blocks);
        if (self::says($paragraph)) {
            $first = isset($blocks[0]) && in_array($blocks[0]->nodeName, self::PARAGRAPHS, true) ? array_shift($blocks) : null;
            $first === null || $paragraph->append(...iterator_to_array($first->childNodes, false));
        }
        $paragraph->after(
            ...$blocks,
            ...$last instanceof DOMElement && in_array($last->nodeName, self::PARAGRAPHS, true) ? [] : array_filter([$last]),
            ...[$rest],
        );
        if ($last instanceof DOMElement && in_array($last->nodeName, self::PARAGRAPHS, true)) {
            $rest->prepend(...iterator_to_array($last->childNodes, false));
        }
        if (! self::says($paragraph)) {
            $paragraph->remove();
        }
    }

    /** The paragraph from a mark on, as one of its own. */
    private static function cut(DOMElement $paragraph, DOMElement $mark): DOMElement
    {
        $rest = null;
        for ($at = $mark; $at !== $paragraph; $at = $at->parentNode) {
            $parent = $at->parentNode;
            if (! $parent instanceof DOMElement) {
                break;
            }
            $copy = $parent->cloneNode(false);
            if ($copy instanceof DOMElement) {
                $rest === null || $copy->append($rest);
                while ($at->nextSibling !== null) {
                    $copy->append($at->nextSibling);
                }
                $rest = $copy;
            }
        }

        return $rest ?? throw new \LogicException('A mark stands in its paragraph');
    }

    /** All between two marks; what is left of two blocks is one. */
    private function takeOut(DOMElement $start, DOMElement $end): void
    {
        for ($at = self::behind($start); $at !== null && $at !== $end;) {
            if ($at instanceof DOMElement && self::holds($at, $end)) {
                $at = $at->firstChild;

                continue;
            }
            $next = self::behind($at);
            // Marks of others that begin or end here do so where this was.
            foreach (
                $at instanceof DOMElement
                    ? [
                        ...in_array($at->nodeName, self::MARKS, true) ? [$at] : [],
                        ...Xml::all($at, 'text:change-start'),
                        ...Xml::all($at, 'text:change-end'),
                    ]
                    : [] as $mark
            ) {
                $start->before($mark);
            }
            $at->parentNode?->removeChild($at);
            $at = $next;
        }
        [$first, $last] = [self::paragraph($start), self::paragraph($end)];
        if ($first === null || $last === null || $first === $last) {
            return;
        }
        if (! self::says($first)) {
            $last->prepend($start);
            $first->remove();
        } else {
            $first->append(...iterator_to_array($last->childNodes, false));
            $last->remove();
        }
    }

    /** What follows on a node and all in it, in the order of the text. */
    private static function behind(DOMNode $node): ?DOMNode
    {
        for ($at = $node; $at !== null; $at = $at->parentNode) {
            if ($at->nextSibling !== null) {
                return $at->nextSibling;
            }
        }

        return null;
    }

    private static function holds(DOMElement $element, DOMElement $other): bool
    {
        for ($at = $other->parentNode; $at !== null; $at = $at->parentNode) {
            if ($at === $element) {
                return true;
            }
        }

        return false;
    }

    private static function paragraph(DOMElement $mark): ?DOMElement
    {
        for ($at = $mark->parentNode; $at instanceof DOMElement; $at = $at->parentNode) {
            if (in_array($at->nodeName, self::PARAGRAPHS, true)) {
                return $at;
            }
        }

        return null;
    }

    /** Whether anything is read there. */
    private static function says(DOMElement $element): bool
    {
        return trim($element->textContent) !== ''
            || iterator_to_array(Xml::all($element, 'draw:frame'), false) !== []
            || iterator_to_array(Xml::all($element, 'text:s'), false) !== [];
    }

    /** Lists in which nothing is left. */
    private function prune(DOMElement $parent): void
    {
        foreach (iterator_to_array(Xml::children($parent), false) as $element) {
            $this->prune($element);
            if (
                in_array($element->nodeName, ['text:list', 'text:list-item'], true)
                && iterator_to_array(Xml::children($element), false) === []
            ) {
                $element->remove();
            }
        }
    }
}
