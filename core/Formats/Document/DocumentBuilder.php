<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Document\DocumentKind;
use MistyAttic\Core\Kinds\Document\DocumentRole;
use MistyAttic\Core\Kinds\Numbering;

/** Puts a document together block by block as a reader finds them. */
final class DocumentBuilder
{
    private const DEEPEST = 11;

    /** @var list<Part> */
    private array $parts = [];

    /** @var array<string, string> */
    private array $pictures = [];

    private readonly Numbering $numbering;

    public function __construct(private readonly FormatLimits $limits)
    {
        $this->numbering = new Numbering;
    }

    /** @param list<Run> $runs */
    public function heading(int $level, array $runs): void
    {
        $this->add(DocumentRole::Heading, 0, ['level' => max(1, min(4, $level)), 'text' => self::text($runs)]);
    }

    /** @param list<Run> $runs an empty paragraph is none */
    public function paragraph(array $runs, DocumentRole $role = DocumentRole::Paragraph): void
    {
        $text = self::text($runs);
        if (trim($text->text()) !== '') {
            $this->add($role, 0, ['text' => $role === DocumentRole::Code ? RichText::plain($text->text()) : $text]);
        }
    }

    /**
     * @param  list<Run>  $runs
     * @param  'bullet'|'number'|'task'  $style
     * @param  int|null  $number  that it has there, where that is known
     */
    public function item(int $depth, array $runs, string $style, bool $done = false, ?int $number = null): void
    {
        $last = $this->parts === [] ? null : $this->parts[count($this->parts) - 1];
        $most = $last?->role === DocumentRole::ListItem->value ? $last->depth + 1 : 0;
        $depth = max(0, min($depth, $most, self::DEEPEST));
        $starts
            = $style === 'number' && $number !== null && $number >= 0 && $number <= 999_999 && $number !== $this->numbering->next($depth);
        $this->add(DocumentRole::ListItem, $depth, [
            'style' => $style,
            'done' => $done,
            ...$starts ? ['start' => $number] : [],
            'text' => self::text($runs),
        ]);
    }

    /** @param list<list<array{bool, list<Run>}>> $rows cells, each with whether it is a heading */
    public function table(array $rows): void
    {
        $width = $rows === [] ? 0 : max(array_map(count(...), $rows));
        if ($width === 0) {
            return;
        }
        $this->add(DocumentRole::Table, 0, []);
        foreach ($rows as $row) {
            $this->add(DocumentRole::Row, 1, []);
            foreach (array_pad($row, $width, [false, []]) as [$head, $runs]) {
                $this->add(DocumentRole::Cell, 2, ['head' => $head, 'text' => self::text($runs)]);
            }
        }
    }

    public function rule(): void
    {
        $this->add(DocumentRole::Rule, 0, []);
    }

    /** @param string $source its bytes, or its address where the bytes are not at hand */
    public function picture(string $source, string $alt, bool $isBytes): void
    {
        $chunk = bin2hex(Address::of($source));
        if ($isBytes) {
            $this->pictures[$chunk] = $source;
        }
        $size = $isBytes ? @getimagesizefromstring($source) : false;
        $this->add(DocumentRole::Picture, 0, [
            'chunk' => $chunk,
            'alt' => mb_substr(mb_scrub($alt), 0, 500),
            'width' => min(20_000, $size[0] ?? 0),
            'height' => min(20_000, $size[1] ?? 0),
        ]);
    }

    public function content(): Content
    {
        return new Content(new DocumentKind, PartTree::of($this->parts), $this->pictures);
    }

    /**
     * @param  int<0, max>  $depth
     * @param  array<string, RichText|string|int|bool>  $fields
     */
    private function add(DocumentRole $role, int $depth, array $fields): void
    {
        if (count($this->parts) >= $this->limits->parts) {
            throw Unreadable::tooLarge('it has more parts than can be compared', $this->limits->parts);
        }
        $this->parts[] = $part = new Part(sprintf('p%04d', count($this->parts)), $role->value, $depth, $fields);
        $role === DocumentRole::ListItem ? $this->numbering->count($part) : $this->numbering->end();
    }

    /**
     * Through JSON, since that is where links are cleaned.
     *
     * @param  list<Run>  $runs
     */
    private static function text(array $runs): RichText
    {
        return RichText::fromJson(['runs' => array_map(fn (Run $run) => [mb_scrub($run->text), $run->marks], self::trimmed($runs))]);
    }

    /**
     * @param  list<Run>  $runs
     * @return list<Run>
     */
    private static function trimmed(array $runs): array
    {
        while ($runs !== [] && trim($runs[0]->text) === '') {
            array_shift($runs);
        }
        while ($runs !== [] && trim($runs[count($runs) - 1]->text) === '') {
            array_pop($runs);
        }
        if ($runs !== []) {
            $runs[0] = new Run(ltrim($runs[0]->text), $runs[0]->marks);
            $last = count($runs) - 1;
            $runs[$last] = new Run(rtrim($runs[$last]->text), $runs[$last]->marks);
        }

        return $runs;
    }
}
