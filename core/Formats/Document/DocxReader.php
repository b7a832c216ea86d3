<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use DOMElement;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\Archive;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\SaidInFile;
use MistyAttic\Core\Formats\TrackedReader;
use MistyAttic\Core\Formats\TrackedTree;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Formats\Xml;
use MistyAttic\Core\Kinds\Document\DocumentRole;

/** Text documents by ECMA-376 (WordprocessingML, part 1 §17). What is left out is listed in docs/formats/documents.md. */
final class DocxReader implements TrackedReader
{
    private const TEXT = 'word/document.xml';

    private DocumentBuilder $builder;

    private Archive $archive;

    private FormatLimits $limits;

    /** @var array<string, string> style id => its name and those that it is based on, in lower case */
    private array $styles = [];

    /** @var array<string, string> relation => target */
    private array $relations = [];

    /** @var array<string, bool> number id => whether its first level is numbered */
    private array $numbered = [];

    /** @var array<string, array<int, int>> number id => level => the number that it begins with */
    private array $starts = [];

    /** @var array<string, string> number id => the counter that it goes by: its own, or that of all of its sort */
    private array $counters = [];

    /** @var array<string, array<int, int>> counter => level => the last number */
    private array $counted = [];

    /** @var list<array{string, string}> pictures met in a paragraph: relation and description */
    private array $pictures = [];

    /** As it is with all of its tracked changes accepted. */
    public function read(string $bytes, FormatLimits $limits): Content
    {
        return $this->settled($bytes, $limits, fn (string $author): bool => true);
    }

    /** As it was before its tracked changes, with what each author changed, and its comments. */
    public function tracked(string $bytes, FormatLimits $limits): Content
    {
        $this->archive = Archive::of($bytes, $limits);
        $body = $this->body($limits);
        $authors = array_slice(DocxSettling::authors($body), 0, self::MOST_AUTHORS);
        DocxSettling::of($body, fn (string $author): bool => false);
        $addresses = $this->addresses($limits);
        $named = fn (string $author): string => isset($addresses[$author]) ? "{$author} <{$addresses[$author]}>" : $author;
        $said = DocxComments::of(
            $body,
            Xml::read($this->archive->fileIfThere('word/comments.xml', $limits->tree) ?? '<none/>', 'word/comments.xml'),
        );
        $content = $this->settled($bytes, $limits, fn (string $author): bool => false);
        $tracked = array_map(function (string $of) use ($bytes, $limits, $named): TrackedTree {
            $changed = (new self)->settled($bytes, $limits, fn (string $author): bool => $author === $of);

            return new TrackedTree($named($of), $changed->tree, $changed->pictures);
        }, $authors);

        return new Content(
            $content->kind,
            $content->tree,
            $content->pictures,
            $content->left,
            $tracked,
            array_map(fn (SaidInFile $one): SaidInFile => $one->with(by: $named($one->by)), $said),
        );
    }

    /** @return array<string, string> author => their address, of those among the people of the file who have one */
    private function addresses(FormatLimits $limits): array
    {
        $addresses = [];
        foreach (
            Xml::children(Xml::read($this->archive->fileIfThere('word/people.xml', $limits->tree) ?? '<none/>', 'word/people.xml')) as $person
        ) {
            $known = $person->firstElementChild === null ? '' : self::attribute($person->firstElementChild, 'userId');
            if (preg_match('/[^\s:<>]+@[^\s:<>]+/', $known, $found) === 1) {
                $addresses[self::attribute($person, 'author')] = $found[0];
            }
        }

        return $addresses;
    }

    /** By its name without a prefix: which one it has differs from program to program. */
    private static function attribute(DOMElement $element, string $name): string
    {
        foreach ($element->attributes as $attribute) {
            if ($attribute->localName === $name) {
                return (string) $attribute->nodeValue;
            }
        }

        return '';
    }

    /** @param \Closure(string): bool $accepts */
    private function settled(string $bytes, FormatLimits $limits, \Closure $accepts): Content
    {
        $this->archive = Archive::of($bytes, $limits);
        $this->limits = $limits;
        $this->builder = new DocumentBuilder($limits);
        [$this->counted, $this->pictures] = [[], []];
        $this->learn();
        $body = $this->body($limits);
        DocxSettling::of($body, $accepts);
        $this->blocks($body);

        return $this->builder->content();
    }

    private function body(FormatLimits $limits): DOMElement
    {
        return Xml::child(Xml::read($this->archive->file(self::TEXT, $limits->tree), self::TEXT), 'w:body')
            ?? throw Unreadable::because('it has no text', self::TEXT);
    }

    private function learn(): void
    {
        $this->learnStyles();
        foreach (Xml::all($this->part('word/_rels/document.xml.rels'), 'Relationship') as $relation) {
            $this->relations[$relation->getAttribute('Id')] = $relation->getAttribute('Target');
        }
        $this->learnNumbering();
    }

    private function learnStyles(): void
    {
        $names = $based = [];
        foreach (Xml::all($this->part('word/styles.xml'), 'w:style') as $style) {
            $id = $style->getAttribute('w:styleId');
            $names[$id] = strtolower(Xml::child($style, 'w:name')?->getAttribute('w:val') ?? $id);
            $based[$id] = Xml::child($style, 'w:basedOn')?->getAttribute('w:val') ?? '';
        }
        foreach ($names as $id => $name) {
            $all = $name;
            for ($at = $based[$id], $steps = 0; isset($names[$at]) && $steps < 10; $at = $based[$at], $steps++) {
                $all .= '; '.$names[$at];
            }
            $this->styles[$id] = $all;
        }
    }

    private function learnNumbering(): void
    {
        $abstract = $starts = [];
        $numbering = $this->part('word/numbering.xml');
        foreach (Xml::all($numbering, 'w:abstractNum') as $one) {
            $id = $one->getAttribute('w:abstractNumId');
            foreach (Xml::children($one, 'w:lvl') as $level) {
                $starts[$id][(int) $level->getAttribute('w:ilvl')] = (int) (Xml::child($level, 'w:start')?->getAttribute('w:val') ?? 1);
            }
            $abstract[$id] = ! in_array(Xml::child($one, 'w:lvl', 'w:numFmt')?->getAttribute('w:val'), ['bullet', 'none', null], true);
        }
        foreach (Xml::all($numbering, 'w:num') as $one) {
            $id = $one->getAttribute('w:numId');
            $of = Xml::child($one, 'w:abstractNumId')?->getAttribute('w:val') ?? '';
            $this->numbered[$id] = $abstract[$of] ?? false;
            $this->starts[$id] = $starts[$of] ?? [];
            $this->counters[$id] = "all {$of}";
            foreach (Xml::children($one, 'w:lvlOverride') as $override) {
                $start = Xml::child($override, 'w:startOverride') ?? Xml::child($override, 'w:lvl', 'w:start');
                if ($start !== null) {
                    $this->starts[$id][(int) $override->getAttribute('w:ilvl')] = (int) $start->getAttribute('w:val');
                    $this->counters[$id] = "own {$id}";
                }
            }
        }
    }

    /** A part of the package that may be missing. */
    private function part(string $name): DOMElement
    {
        return Xml::read($this->archive->fileIfThere($name, $this->limits->tree) ?? '<none/>', $name);
    }

    private function blocks(DOMElement $parent): void
    {
        foreach (Xml::children($parent) as $element) {
            match ($element->nodeName) {
                'w:p' => $this->paragraph($element),
                'w:tbl' => $this->table($element),
                'w:sdt' => $this->blocks(Xml::child($element, 'w:sdtContent') ?? $element),
                'w:ins', 'w:moveTo', 'w:customXml', 'w:smartTag' => $this->blocks($element),
                default => null,
            };
            foreach ($this->pictures as [$relation, $alt]) {
                $target = $this->relations[$relation] ?? '';
                $bytes = $target === ''
                    ? null
                    : $this->archive->fileIfThere(
                        str_starts_with($target, '/') ? substr($target, 1) : "word/{$target}",
                        $this->limits->bytes,
                    );
                $this->builder->picture($bytes ?? $target, $alt, $bytes !== null);
            }
            $this->pictures = [];
        }
    }

    private function paragraph(DOMElement $element): void
    {
        $properties = Xml::child($element, 'w:pPr');
        $id = ($properties === null ? null : Xml::child($properties, 'w:pStyle'))?->getAttribute('w:val') ?? '';
        $style = $this->styles[$id] ?? strtolower($id);
        $runs = $this->runs($element);
        $number = $properties === null ? null : Xml::child($properties, 'w:numPr');
        if (preg_match('/\bheading ?(\d)/', $style, $found) === 1) {
            $this->builder->heading((int) $found[1], $runs);
        } elseif (preg_match('/(^|; )title(;|$)/', $style) === 1) {
            $this->builder->heading(1, $runs);
        } elseif ($number !== null || preg_match('/\blist (bullet|number)/', $style) === 1) {
            $depth = max(0, (int) ($number === null ? null : Xml::child($number, 'w:ilvl'))?->getAttribute('w:val'));
            $list = $number === null ? '' : Xml::child($number, 'w:numId')?->getAttribute('w:val') ?? '';
            $numbered = $number === null ? str_contains($style, 'list number') : $this->numbered[$list] ?? false;
            $box = mb_substr($runs[0]->text ?? '', 0, 2);
            $task = in_array($box, ['☐ ', '☑ ', '☒ '], true);
            if ($task) {
                $runs[0] = new Run(mb_substr($runs[0]->text, 2), $runs[0]->marks);
            }
            $this->builder->item(
                $depth,
                $runs,
                $task ? 'task' : ($numbered ? 'number' : 'bullet'),
                in_array($box, ['☑ ', '☒ '], true),
                $number === null ? null : $this->number($list, $depth),
            );
        } elseif ($runs === [] && $properties !== null && Xml::child($properties, 'w:pBdr', 'w:bottom') !== null) {
            $this->builder->rule();
        } else {
            $this->builder->paragraph($runs, match (true) {
                str_contains($style, 'quote') => DocumentRole::Quote,
                preg_match('/preformatted|\bcode\b|plain text/', $style) === 1 => DocumentRole::Code,
                default => DocumentRole::Paragraph,
            });
        }
    }

    /** The number of the next item of a list (ECMA-376 part 1, 17.9): one more than the last, and what is deeper begins again. */
    private function number(string $list, int $depth): int
    {
        $counter = $this->counters[$list] ?? $list;
        $counted = array_filter($this->counted[$counter] ?? [], fn (int $level) => $level <= $depth, ARRAY_FILTER_USE_KEY);
        $counted[$depth] = isset($counted[$depth]) ? $counted[$depth] + 1 : $this->starts[$list][$depth] ?? 1;
        $this->counted[$counter] = $counted;

        return $counted[$depth];
    }

    private function table(DOMElement $table): void
    {
        $rows = [];
        foreach (Xml::children($table, 'w:tr') as $row) {
            $head = Xml::child($row, 'w:trPr', 'w:tblHeader') !== null;
            $cells = [];
            foreach (Xml::children($row, 'w:tc') as $cell) {
                $runs = [];
                foreach ($this->paragraphs($cell) as $paragraph) {
                    $runs = $runs === [] ? $this->runs($paragraph) : [...$runs, new Run("\n"), ...$this->runs($paragraph)];
                }
                $cells[] = [$head, $runs];
                for ($span = min(100, (int) Xml::child($cell, 'w:tcPr', 'w:gridSpan')?->getAttribute('w:val')); $span > 1; $span--) {
                    $cells[] = [$head, []];
                }
            }
            $rows[] = $cells;
        }
        $this->builder->table($rows);
    }

    /**
     * The paragraphs of a cell, also of tables in it and of what is in a control.
     *
     * @return list<DOMElement>
     */
    private function paragraphs(DOMElement $parent): array
    {
        $paragraphs = [];
        foreach (Xml::children($parent) as $element) {
            array_push($paragraphs, ...match ($element->nodeName) {
                'w:p' => [$element],
                'w:tbl', 'w:tr', 'w:tc', 'w:sdt', 'w:sdtContent', 'w:ins', 'w:moveTo', 'w:customXml' => $this->paragraphs($element),
                default => [],
            });
        }

        return $paragraphs;
    }

    /**
     * @param  array<string, true|string>  $marks
     * @return list<Run>
     */
    private function runs(DOMElement $parent, array $marks = []): array
    {
        $runs = [];
        foreach (Xml::children($parent) as $element) {
            array_push(
                $runs,
                ...match ($element->nodeName) {
                    'w:r' => $this->run($element, $marks),
                    'w:hyperlink' => $this->runs($element, [
                        ...$marks,
                        'link' => $this->relations[$element->getAttribute('r:id')] ?? '#'.$element->getAttribute('w:anchor'),
                    ]),
                    'w:ins', 'w:moveTo', 'w:smartTag', 'w:fldSimple', 'w:customXml', 'w:bdo', 'w:dir' => $this->runs($element, $marks),
                    'w:sdt' => $this->runs(Xml::child($element, 'w:sdtContent') ?? $element, $marks),
                    default => [],
                },
            );
        }

        return $runs;
    }

    /**
     * @param  array<string, true|string>  $marks
     * @return list<Run>
     */
    private function run(DOMElement $run, array $marks): array
    {
        $marks = $this->marked($run, $marks);
        $runs = [];
        foreach (Xml::children($run) as $element) {
            $text = match ($element->nodeName) {
                'w:t' => $element->textContent,
                'w:tab' => "\t",
                'w:br', 'w:cr' => "\n",
                'w:noBreakHyphen' => "\u{2011}",
                default => '',
            };
            if ($text !== '') {
                $runs[] = new Run($text, $marks);
            }
            if ($element->nodeName === 'w:drawing' || $element->nodeName === 'w:pict') {
                $this->pictured($element);
            }
        }

        return $runs;
    }

    /**
     * @param  array<string, true|string>  $marks
     * @return array<string, true|string>
     */
    private function marked(DOMElement $run, array $marks): array
    {
        foreach (Xml::children(Xml::child($run, 'w:rPr') ?? new DOMElement('none')) as $property) {
            $value = $property->getAttribute('w:val');
            $mark = match ($property->nodeName) {
                'w:b' => 'bold', 'w:i' => 'italic', 'w:strike', 'w:dstrike' => 'strike', 'w:u' => 'underline',
                'w:vertAlign' => ['superscript' => 'raised', 'subscript' => 'lowered'][$value] ?? null,
                'w:rStyle' => preg_match('/\bcode\b|source|verbatim/', $this->styles[$value] ?? strtolower($value)) === 1 ? 'code' : null,
                default => null,
            };
            if ($mark !== null && ! in_array($value, ['0', 'false', 'none', 'off'], true)) {
                $marks[$mark] = true;
            }
        }
        // What a link looks like is no mark of its own.
        if (isset($marks['link'])) {
            unset($marks['underline']);
        }

        return $marks;
    }

    private function pictured(DOMElement $drawing): void
    {
        foreach (Xml::all($drawing, 'a:blip') as $blip) {
            $alt = '';
            foreach (Xml::all($drawing, 'wp:docPr') as $about) {
                $alt = $about->getAttribute('descr') ?: $about->getAttribute('title');
            }
            $this->pictures[] = [$blip->getAttribute('r:embed') ?: $blip->getAttribute('r:link'), $alt];
        }
    }
}
