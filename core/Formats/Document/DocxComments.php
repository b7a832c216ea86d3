<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use DOMElement;
use MistyAttic\Core\Formats\SaidInFile;
use MistyAttic\Core\Formats\Xml;

/** The comments of a text, each with the words that it is about (ECMA-376 part 1, 17.13.4). */
final class DocxComments
{
    /** @var array<string, string> comment => the words so far, while its range is open */
    private array $open = [];

    /** @var array<string, string> comment => its words */
    private array $quotes = [];

    private function __construct() {}

    /**
     * @param  DOMElement  $body  settled
     * @param  DOMElement  $comments  the part that holds them
     * @return list<SaidInFile> in the order of the file
     */
    public static function of(DOMElement $body, DOMElement $comments): array
    {
        $reader = new self;
        $reader->read($body);
        $said = [];
        foreach (Xml::children($comments, 'w:comment') as $comment) {
            $text = trim(implode("\n", array_map(self::text(...), iterator_to_array(Xml::children($comment, 'w:p'), false))));
            if ($text !== '' && count($said) < SaidInFile::MOST) {
                // Of several paragraphs the words of the first are told.
                $said[] = new SaidInFile(
                    $comment->getAttribute('w:author'),
                    $text,
                    trim(explode("\n", trim($reader->quotes[$comment->getAttribute('w:id')] ?? ''))[0]),
                );
            }
        }

        return $said;
    }

    private function read(DOMElement $parent): void
    {
        foreach (Xml::children($parent) as $element) {
            $id = $element->getAttribute('w:id');
            match ($element->nodeName) {
                'w:commentRangeStart' => $this->open[$id] = '',
                'w:commentRangeEnd' => $this->close($id),
                'w:t' => $this->add($element->textContent),
                'w:tab' => $this->add("\t"),
                'w:br', 'w:cr' => $this->add("\n"),
                default => $this->read($element),
            };
            $element->nodeName === 'w:p' && $this->add("\n");
        }
    }

    private function close(string $id): void
    {
        $this->quotes[$id] = $this->open[$id] ?? '';
        unset($this->open[$id]);
    }

    private function add(string $text): void
    {
        foreach ($this->open as $id => $words) {
            $this->open[$id] = $words.$text;
        }
    }

    private static function text(DOMElement $paragraph): string
    {
        return implode('', array_map(fn (DOMElement $text) => $text->textContent, iterator_to_array(Xml::all($paragraph, 'w:t'), false)));
    }
}
