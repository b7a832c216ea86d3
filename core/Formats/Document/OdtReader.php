<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use DOMElement;
use DOMNode;
use DOMText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\Archive;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\TrackedReader;
use MistyAttic\Core\Formats\TrackedTree;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Formats\Xml;
use MistyAttic\Core\Kinds\Document\DocumentRole;

/** Text documents by OASIS ODF 1.3, part 3. What is left out is listed in docs/formats/documents.md. */
final class OdtReader implements TrackedReader
{
    private const MOST_SPACES = 1_000_000;

    private DocumentBuilder $builder;

    private int $spaces = 0;

    private Archive $archive;

    private FormatLimits $limits;

    /** @var array<string, DOMElement> style name => style */
    private array $styles = [];

    /** @var array<string, bool> list style name => whether its first level is numbered */
    private array $numbered = [];

    /** @var array<string, list<int>> list style name => the number that each level begins with */
    private array $starts = [];

    /** @var array<int, int> the number at each open depth */
    private array $numbers = [];

    /** @var list<DOMElement> frames met in a paragraph, to be set behind it */
    private array $frames = [];

    /** As it is with all of its tracked changes accepted. */
    public function read(string $bytes, FormatLimits $limits): Content
    {
        return $this->settled($bytes, $limits, fn (string $author): bool => true);
    }

    /** As it was before its tracked changes, with what each author changed, and its annotations. */
    public function tracked(string $bytes, FormatLimits $limits): Content
    {
        $text = self::text(Archive::of($bytes, $limits), $limits);
        $authors = array_slice(OdtSettling::authors($text), 0, self::MOST_AUTHORS);
        OdtSettling::of($text, fn (string $author): bool => false);
        $said = OdtAnnotations::of($text);
        $content = $this->settled($bytes, $limits, fn (string $author): bool => false);
        $tracked = array_map(function (string $of) use ($bytes, $limits): TrackedTree {
            $changed = (new self)->settled($bytes, $limits, fn (string $author): bool => $author === $of);

            return new TrackedTree($of, $changed->tree, $changed->pictures);
        }, $authors);

        return new Content($content->kind, $content->tree, $content->pictures, $content->left, $tracked, $said);
    }

    /** @param \Closure(string): bool $accepts */
    private function settled(string $bytes, FormatLimits $limits, \Closure $accepts): Content
    {
        $this->archive = Archive::of($bytes, $limits);
        $this->limits = $limits;
        $this->builder = new DocumentBuilder($limits);
        [$this->numbers, $this->frames] = [[], []];
        $styles = $this->archive->fileIfThere('styles.xml', $limits->tree);
        if ($styles !== null) {
            $this->learn(Xml::read($styles, 'styles.xml'));
        }
        $text = self::text($this->archive, $limits);
        $root = $text->ownerDocument?->documentElement;
        $root === null || $this->learn($root);
        OdtSettling::of($text, $accepts);
        $this->blocks($text);

        return $this->builder->content();
    }

    private static function text(Archive $archive, FormatLimits $limits): DOMElement
    {
        return Xml::child(Xml::read($archive->file('content.xml', $limits->tree), 'content.xml'), 'office:body', 'office:text')
            ?? throw Unreadable::because('it is no text document', 'content.xml');
    }

    private function learn(DOMElement $root): void
    {
        foreach (Xml::all($root, 'style:style') as $style) {
            $this->styles[$style->getAttribute('style:name')] = $style;
        }
        foreach (Xml::all($root, 'text:list-style') as $style) {
            $first = null;
            foreach (Xml::children($style) as $at => $level) {
                $first ??= $level;
                $this->starts[$style->getAttribute('style:name')][] = (int) ($level->getAttribute('text:start-value') ?: 1);
            }
            $this->numbered[$style->getAttribute('style:name')] = $first?->nodeName === 'text:list-level-style-number';
        }
    }

    private function blocks(DOMElement $parent): void
    {
        foreach (Xml::children($parent) as $element) {
            match ($element->nodeName) {
                'text:h' => $this->builder->heading(max(1, (int) $element->getAttribute('text:outline-level')), $this->runs($element)),
                'text:p' => $this->paragraph($element),
                'text:list' => $this->list($element, 0, ''),
                'table:table' => $this->table($element),
                'text:section', 'text:index-body', 'text:table-of-content', 'office:text' => $this->blocks($element),
                default => null,
            };
            $this->setFrames();
        }
    }

    private function paragraph(DOMElement $element): void
    {
        $names = $this->ancestry($element->getAttribute('text:style-name'));
        $role = match (true) {
            preg_match('/\b(quotations?|quote)\b/i', $names) === 1 => DocumentRole::Quote,
            preg_match('/preformatted|\bcode\b|source/i', $names) === 1 => DocumentRole::Code,
            default => DocumentRole::Paragraph,
        };
        if (preg_match('/horizontal[ _]?(20_)?line/i', $names) === 1) {
            $this->builder->rule();
        } elseif (preg_match('/(^| )title( |$)/i', $names) === 1) {
            $this->builder->heading(1, $this->runs($element));
        } else {
            $this->builder->paragraph($this->runs($element), $role);
        }
    }

    /** The names of a style and of those that it comes of, in one text. */
    private function ancestry(string $style): string
    {
        $names = '';
        for ($steps = 0; $style !== '' && $steps < 10; $steps++) {
            $names .= str_replace('_20_', ' ', $style).' ';
            $style = isset($this->styles[$style]) ? $this->styles[$style]->getAttribute('style:parent-style-name') : '';
        }

        return $names;
    }

    private function list(DOMElement $list, int $depth, string $style): void
    {
        $style = $list->getAttribute('text:style-name') ?: $style;
        if ($depth === 0 && $list->getAttribute('text:continue-numbering') !== 'true' && $list->getAttribute('text:continue-list') === '') {
            $this->numbers = [];
        }
        foreach (Xml::children($list, 'text:list-item', 'text:list-header') as $item) {
            $runs = $below = [];
            foreach (Xml::children($item) as $child) {
                if ($child->nodeName === 'text:list') {
                    $below[] = $child;
                } elseif (in_array($child->nodeName, ['text:p', 'text:h'], true)) {
                    $runs = $runs === [] ? $this->runs($child) : [...$runs, new Run("\n"), ...$this->runs($child)];
                }
            }
            // An item that only holds a deeper list is how depth is written.
            if ($runs !== [] || $below === []) {
                $first = $runs[0]->text ?? '';
                $box = mb_substr($first, 0, 2);
                $task = in_array($box, ['☐ ', '☑ ', '☒ '], true);
                if ($task) {
                    $runs[0] = new Run(mb_substr($first, 2), $runs[0]->marks);
                }
                $this->numbers = array_slice($this->numbers, 0, $depth + 1);
                for ($level = count($this->numbers); $level <= $depth; $level++) {
                    $this->numbers[$level] = ($this->starts[$style][$level] ?? 1) - 1;
                }
                $this->numbers[$depth] = is_numeric($item->getAttribute('text:start-value'))
                    ? (int) $item->getAttribute('text:start-value')
                    : $this->numbers[$depth] + 1;
                $this->builder->item(
                    $depth,
                    $runs,
                    $task ? 'task' : ($this->numbered[$style] ?? false ? 'number' : 'bullet'),
                    in_array($box, ['☑ ', '☒ '], true),
                    $this->numbers[$depth],
                );
            }
            foreach ($below as $inner) {
                $this->list($inner, $depth + 1, $style);
            }
        }
    }

    private function table(DOMElement $table): void
    {
        $rows = [];
        $this->rows($table, false, $rows);
        $this->builder->table($rows);
    }

    /** @param list<list<array{bool, list<Run>}>> $rows */
    private function rows(DOMElement $parent, bool $head, array &$rows): void
    {
        foreach (Xml::children($parent) as $element) {
            if (in_array($element->nodeName, ['table:table-header-rows', 'table:table-rows', 'table:table-row-group'], true)) {
                $this->rows($element, $element->nodeName === 'table:table-header-rows', $rows);
            } elseif ($element->nodeName === 'table:table-row') {
                $cells = [];
                foreach (Xml::children($element, 'table:table-cell', 'table:covered-table-cell') as $cell) {
                    $runs = [];
                    foreach ($this->paragraphs($cell) as $paragraph) {
                        $runs = $runs === [] ? $this->runs($paragraph) : [...$runs, new Run("\n"), ...$this->runs($paragraph)];
                    }
                    for ($times = max(1, min(100, (int) $cell->getAttribute('table:number-columns-repeated'))); $times > 0; $times--) {
                        $cells[] = [$head, $runs];
                    }
                }
                $rows[] = $cells;
            }
        }
    }

    /**
     * The paragraphs of a cell, also of lists, sections and tables in it.
     *
     * @return list<DOMElement>
     */
    private function paragraphs(DOMElement $parent): array
    {
        $paragraphs = [];
        foreach (Xml::children($parent) as $element) {
            array_push(
                $paragraphs,
                ...match ($element->nodeName) {
                    'text:p', 'text:h' => [$element],
                    'text:list',
                    'text:list-item',
                    'text:list-header',
                    'text:section',
                    'table:table',
                    'table:table-header-rows',
                    'table:table-rows',
                    'table:table-row-group',
                    'table:table-row',
                    'table:table-cell' => $this->paragraphs($element),
                    default => [],
                },
            );
        }

        return $paragraphs;
    }

    /**
     * @param  array<string, true|string>  $marks
     * @return list<Run>
     */
    private function runs(DOMNode $node, array $marks = []): array
    {
        $runs = [];
        foreach ($node->childNodes as $child) {
            if ($child instanceof DOMText) {
                $runs[] = new Run((string) preg_replace('/[ \t\r\n]+/', ' ', $child->data), $marks);
            }
            if (! $child instanceof DOMElement) {
                continue;
            }
            if ($child->nodeName === 'draw:frame') {
                $this->frames[] = $child;
            }
            array_push($runs, ...match ($child->nodeName) {
                'text:line-break' => [new Run("\n", $marks)],
                'text:tab' => [new Run("\t", $marks)],
                'text:s' => [new Run(str_repeat(' ', $this->spaces((int) $child->getAttribute('text:c'))), $marks)],
                'text:span' => $this->runs($child, [...$marks, ...$this->marks($child->getAttribute('text:style-name'))]),
                'text:a' => $this->runs($child, [...$marks, 'link' => $child->getAttribute('xlink:href')]),
                'text:note', 'office:annotation', 'office:annotation-end', 'text:tracked-changes', 'draw:frame' => [],
                default => $this->runs($child, $marks),
            });
        }

        return $runs;
    }

    /** A few bytes can say that there are very many of them. */
    private function spaces(int $count): int
    {
        $count = max(1, min(1000, $count));
        $this->spaces += $count;
        $this->spaces <= self::MOST_SPACES || throw Unreadable::because('it holds more spaces than can be read', 'content.xml');

        return $count;
    }

    /** @return array<string, true> */
    private function marks(string $style): array
    {
        $marks = [];
        for ($steps = 0; isset($this->styles[$style]) && $steps < 10; $steps++) {
            $properties = Xml::child($this->styles[$style], 'style:text-properties');
            $is = fn (string $attribute, string $value): bool => ($properties?->getAttribute($attribute) ?? '') === $value;
            $on = fn (string $attribute): bool => ! in_array($properties?->getAttribute($attribute) ?? '', ['', 'none'], true);
            $marks += array_filter([
                'bold' => $is('fo:font-weight', 'bold'),
                'italic' => $is('fo:font-style', 'italic'),
                'strike' => $on('style:text-line-through-style'),
                'underline' => $on('style:text-underline-style'),
                'raised' => self::position($properties) > 0,
                'lowered' => self::position($properties) < 0,
                'code' => preg_match('/source|code/i', $style) === 1,
            ]);
            $style = $this->styles[$style]->getAttribute('style:parent-style-name');
        }

        return array_fill_keys(array_keys($marks), true);
    }

    /** Above the line, below it, or on it: ODF 1.3 part 3, 20.384. */
    private static function position(?DOMElement $properties): int
    {
        $position = $properties?->getAttribute('style:text-position') ?? '';

        return str_starts_with($position, 'super') ? 1 : (str_starts_with($position, 'sub') ? -1 : (int) $position <=> 0);
    }

    private function setFrames(): void
    {
        foreach ($this->frames as $frame) {
            $image = Xml::child($frame, 'draw:image');
            $name = $image?->getAttribute('xlink:href') ?? '';
            $bytes = $name === '' ? null : $this->archive->fileIfThere($name, $this->limits->bytes);
            if ($name !== '') {
                $title = Xml::child($frame, 'svg:title') ?? Xml::child($frame, 'svg:desc');
                $this->builder->picture($bytes ?? $name, $title->textContent ?? '', $bytes !== null);
            }
        }
        $this->frames = [];
    }
}
