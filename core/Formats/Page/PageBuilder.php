<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Page;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Document\DocumentRole;
use MistyAttic\Core\Kinds\Page\PageKind;
use MistyAttic\Core\Kinds\Page\PageRole;

/** Puts a page together as a reader finds its parts; what comes before any section or column gets one. */
final class PageBuilder
{
    /** @var list<Part> */
    private array $parts = [];

    /** @var array<string, string> */
    private array $pictures = [];

    private bool $inColumn = false;

    private string $caption = '';

    /** @param bool $linksAreButtons whether a paragraph that is nothing but a link is one, where a file has no word for buttons */
    public function __construct(private readonly FormatLimits $limits, private readonly bool $linksAreButtons = false) {}

    public function section(string $title, string $background): void
    {
        $this->add(PageRole::Section, 0, [
            'title' => mb_substr($title, 0, 200),
            'background' => in_array($background, ['tinted', 'deep'], true) ? $background : 'plain',
        ]);
        $this->inColumn = false;
    }

    public function column(int $width): void
    {
        if ($this->parts === []) {
            $this->section('', 'plain');
        }
        $this->add(PageRole::Column, 1, ['width' => max(1, min(12, $width))]);
        $this->inColumn = true;
    }

    /** @param array<string, RichText|string|int|list<string>> $fields */
    public function block(PageRole $role, array $fields): void
    {
        if (! $this->inColumn) {
            $this->column(12);
        }
        $this->add($role, 2, $fields);
    }

    /**
     * The blocks that a document makes: a heading of the first level begins a section, unless it is read inside of one.
     *
     * @param  string  $caption  of the picture in it
     */
    public function document(Content $document, bool $inside = false, string $caption = ''): void
    {
        $this->pictures += $document->pictures;
        $this->caption = $caption;
        $tree = $document->tree;
        foreach ($tree->children()[PartTree::ROOT] ?? [] as $id) {
            $this->below($tree, $tree->get($id), $inside);
        }
    }

    public function content(): Content
    {
        if (! $this->inColumn) {
            $this->column(12);
        }

        return new Content(new PageKind, PartTree::of($this->parts), $this->pictures);
    }

    private function below(PartTree $tree, Part $part, bool $inside): void
    {
        $text = $part->richText();
        $role = DocumentRole::from($part->role);
        match ($role) {
            DocumentRole::Heading => $part->int('level') === 1 && ! $inside
                ? $this->section(trim($text->text()), 'plain')
                : $this->block(PageRole::Heading, ['level' => max(1, $part->int('level') - 1), 'text' => $text]),
            DocumentRole::ListItem => $this->block(PageRole::Text, [
                'style' => $part->string('style') === 'number' ? 'number' : 'bullet',
                'text' => $text,
            ]),
            DocumentRole::Quote => $this->block(PageRole::CallOut, ['tone' => 'note', 'text' => $text]),
            DocumentRole::Picture => $this->block(PageRole::Picture, [
                'chunk' => $part->string('chunk'),
                'alt' => $part->string('alt'),
                'caption' => $this->caption,
                'width' => $part->int('width'),
                'height' => $part->int('height'),
            ]),
            DocumentRole::Rule => $this->block(PageRole::Divider, []),
            DocumentRole::Table => $this->table($tree, $part),
            DocumentRole::Paragraph, DocumentRole::Code => $this->paragraph($text),
            DocumentRole::Row, DocumentRole::Cell => null,
        };
        if ($role === DocumentRole::ListItem) {
            foreach ($tree->children()[$part->id] ?? [] as $inner) {
                $this->below($tree, $tree->get($inner), $inside);
            }
        }
    }

    private function paragraph(RichText $text): void
    {
        $link = $this->linksAreButtons && count($text->runs) === 1 ? ($text->runs[0]->marks['link'] ?? null) : null;
        is_string($link) && mb_strlen($text->text()) <= 200
            ? $this->block(PageRole::Button, ['label' => $text->text(), 'target' => $link])
            : $this->block(PageRole::Text, ['style' => 'plain', 'text' => $text]);
    }

    /** A table of two columns is one of hours; the rows of any other become lines of text. */
    private function table(PartTree $tree, Part $table): void
    {
        $rows = array_map(
            fn (string $row) => array_map(fn (string $cell) => $tree->get($cell)->richText(), $tree->children()[$row] ?? []),
            $tree->children()[$table->id] ?? [],
        );
        if (count($rows) <= 40 && $rows !== [] && max(array_map(count(...), $rows)) === 2) {
            $column = fn (int $at): array => array_map(fn (array $row) => mb_substr(($row[$at] ?? new RichText)->text(), 0, 500), $rows);
            $this->block(PageRole::Hours, ['title' => '', 'days' => $column(0), 'times' => $column(1)]);

            return;
        }
        foreach ($rows as $row) {
            $runs = [];
            foreach ($row as $at => $cell) {
                array_push($runs, ...($at > 0 ? [new Run(' | ')] : []), ...$cell->runs);
            }
            $this->block(PageRole::Text, ['style' => 'plain', 'text' => new RichText($runs)]);
        }
    }

    /**
     * @param  int<0, max>  $depth
     * @param  array<string, RichText|string|int|list<string>>  $fields
     */
    private function add(PageRole $role, int $depth, array $fields): void
    {
        if (count($this->parts) >= $this->limits->parts) {
            throw Unreadable::tooLarge('it has more parts than can be read', $this->limits->parts);
        }
        $this->parts[] = new Part(sprintf('p%04d', count($this->parts)), $role->value, $depth, $fields);
    }
}
