<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Page;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\Document\MarkdownWriter;
use MistyAttic\Core\Formats\Writer;
use MistyAttic\Core\Kinds\Document\DocumentRole;
use MistyAttic\Core\Kinds\Page\PageRole;

/** A page as Markdown, its columns one below the other: titles of sections are headings of the first level. */
final class PageMarkdownWriter implements Writer
{
    /** @var list<Part> */
    private array $parts = [];

    public function mediaType(): string
    {
        return (new MarkdownWriter)->mediaType();
    }

    public function write(string $title, PartTree $tree, \Closure $picture): string
    {
        $this->parts = [];
        foreach ($tree->parts as $part) {
            $this->part($part);
        }

        return (new MarkdownWriter)->write($title, PartTree::of($this->parts), $picture);
    }

    private function part(Part $part): void
    {
        $text = $part->richText();
        $title = $part->string('title');
        match (PageRole::from($part->role)) {
            PageRole::Section => $title === ''
                ? null
                : $this->add(DocumentRole::Heading, ['level' => 1, 'text' => RichText::plain($title)]),
            PageRole::Heading => $this->add(DocumentRole::Heading, ['level' => min(4, $part->int('level') + 1), 'text' => $text]),
            PageRole::Text => $part->string('style') === 'plain' ? $this->paragraph($text) : $this->item($part->string('style'), $text),
            PageRole::CallOut => $this->add(DocumentRole::Quote, ['text' => $text]),
            PageRole::Picture => $this->picture($part),
            PageRole::Button => $this->paragraph($this->link($part->string('label'), $part->string('target'))),
            PageRole::Figure => $this->paragraph($this->link($part->string('label'), $part->string('source'))),
            PageRole::Links => $this->links($part),
            PageRole::Hours => $this->hours($part),
            PageRole::Contact => $this->paragraph(
                new RichText([
                    new Run($part->string('name'), ['bold' => true]),
                    ...array_map(fn (string $line) => new Run("\n{$line}"), $part->strings('lines')),
                ]),
            ),
            PageRole::Divider => $this->add(DocumentRole::Rule, []),
            PageRole::Column => null,
        };
    }

    private function picture(Part $part): void
    {
        $this->add(DocumentRole::Picture, [
            'chunk' => $part->string('chunk'),
            'alt' => $part->string('alt'),
            'width' => $part->int('width'),
            'height' => $part->int('height'),
        ]);
        if ($part->string('caption') !== '') {
            $this->paragraph(new RichText([new Run($part->string('caption'), ['italic' => true])]));
        }
    }

    private function links(Part $part): void
    {
        $this->title($part);
        foreach ($part->strings('labels') as $at => $label) {
            $this->item('bullet', $this->link($label, $part->strings('targets')[$at] ?? ''));
        }
    }

    private function hours(Part $part): void
    {
        $this->title($part);
        $this->add(DocumentRole::Table, []);
        foreach ($part->strings('days') as $at => $day) {
            $this->add(DocumentRole::Row, [], 1);
            $this->add(DocumentRole::Cell, ['head' => true, 'text' => RichText::plain($day)], 2);
            $this->add(DocumentRole::Cell, ['head' => false, 'text' => RichText::plain($part->strings('times')[$at] ?? '')], 2);
        }
    }

    private function title(Part $part): void
    {
        if ($part->string('title') !== '') {
            $this->paragraph(new RichText([new Run($part->string('title'), ['bold' => true])]));
        }
    }

    private function paragraph(RichText $text): void
    {
        $this->add(DocumentRole::Paragraph, ['text' => $text]);
    }

    private function item(string $style, RichText $text): void
    {
        $this->add(DocumentRole::ListItem, ['style' => $style, 'done' => false, 'text' => $text]);
    }

    private function link(string $label, string $target): RichText
    {
        return new RichText([new Run($label === '' ? $target : $label, $target === '' ? [] : ['link' => $target])]);
    }

    /**
     * @param  array<string, RichText|string|int|bool>  $fields
     * @param  int<0, max>  $depth
     */
    private function add(DocumentRole $role, array $fields, int $depth = 0): void
    {
        $this->parts[] = new Part('m'.count($this->parts), $role->value, $depth, $fields);
    }
}
