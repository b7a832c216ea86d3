<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use DOMElement;
use DOMNode;
use DOMText;
use MistyAttic\Core\Formats\SaidInFile;
use MistyAttic\Core\Formats\Xml;

/** The annotations of a text, each with the words that it is about (ODF 1.3 part 3, 14.1). */
final class OdtAnnotations
{
    /** @var array<string, string> annotation => the words so far, while its range is open */
    private array $open = [];

    /** @var array<string, string> annotation => its words */
    private array $quotes = [];

    /** @var list<array{string, string, string, string}> its name, by whom, when and what was said */
    private array $said = [];

    private function __construct() {}

    /**
     * @param  DOMElement  $text  settled
     * @return list<SaidInFile> in the order of the text
     */
    public static function of(DOMElement $text): array
    {
        $reader = new self;
        $reader->read($text);

        return array_map(
            fn (array $of): SaidInFile => new SaidInFile(
                $of[1],
                $of[3],
                trim(explode("\n", trim($reader->quotes[$of[0]] ?? ''))[0]),
                at: $of[2],
            ),
            $reader->said,
        );
    }

    private function read(DOMNode $parent): void
    {
        foreach ($parent->childNodes as $node) {
            if ($node instanceof DOMText) {
                $this->add((string) preg_replace('/[ \t\r\n]+/', ' ', $node->data));
            }
            if (! $node instanceof DOMElement || $node->nodeName === 'text:tracked-changes') {
                continue;
            }
            match ($node->nodeName) {
                'office:annotation' => $this->begin($node),
                'office:annotation-end' => $this->close($node->getAttribute('office:name')),
                'text:s' => $this->add(str_repeat(' ', max(1, min(1_000, (int) $node->getAttribute('text:c'))))),
                'text:tab' => $this->add("\t"),
                'text:line-break' => $this->add("\n"),
                default => $this->read($node),
            };
            in_array($node->nodeName, ['text:p', 'text:h'], true) && $this->add("\n");
        }
    }

    private function begin(DOMElement $annotation): void
    {
        $name = $annotation->getAttribute('office:name');
        $text = trim(implode("\n", array_map(fn (DOMElement $line) => $line->textContent, [...Xml::all($annotation, 'text:p')])));
        if ($text === '' || count($this->said) >= SaidInFile::MOST) {
            return;
        }
        $at = strtotime(Xml::child($annotation, 'dc:date')->textContent ?? '');
        $this->said[] = [
            $name,
            trim(Xml::child($annotation, 'dc:creator')->textContent ?? ''),
            $at === false ? '' : gmdate('Y-m-d\TH:i:s\Z', $at),
            $text,
        ];
        if ($name !== '') {
            $this->open[$name] = '';
        }
    }

    private function close(string $name): void
    {
        if (isset($this->open[$name])) {
            $this->quotes[$name] = $this->open[$name];
            unset($this->open[$name]);
        }
    }

    private function add(string $text): void
    {
        foreach ($this->open as $name => $words) {
            // The first words tell where it is.
            $this->open[$name] = strlen($words) > 10_000 ? $words : $words.$text;
        }
    }
}
