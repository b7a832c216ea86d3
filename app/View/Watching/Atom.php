<?php

declare(strict_types=1);

namespace App\View\Watching;

use Carbon\CarbonImmutable;
use XMLWriter;

/** A feed as Atom (RFC 4287). */
final class Atom
{
    /** @var list<array{id: string, title: string, at: CarbonImmutable, by: string|null, link: string}> the newest first */
    private array $entries = [];

    /** @param string $link what it tells of */
    public function __construct(private readonly string $title, private readonly string $link) {}

    /** @param string|null $by null where it is not told who it was */
    public function add(string $id, string $title, CarbonImmutable $at, ?string $by, string $link): void
    {
        $this->entries[] = ['id' => $id, 'title' => $title, 'at' => $at, 'by' => $by, 'link' => $link];
    }

    /**
     * @param  string  $self  where it is read
     * @param  string  $author  of what does not say who it is by
     */
    public function xml(string $self, string $author): string
    {
        $xml = new XMLWriter;
        $xml->openMemory();
        $xml->startDocument('1.0', 'UTF-8');
        $xml->startElementNs(null, 'feed', 'http://www.w3.org/2005/Atom');
        $xml->writeElement('title', $this->title);
        $xml->writeElement('id', $this->link);
        $xml->writeElement('updated', ($this->entries[0]['at'] ?? CarbonImmutable::createFromTimestamp(0))->toAtomString());
        self::author($xml, $author);
        self::link($xml, 'alternate', $this->link);
        self::link($xml, 'self', $self);
        foreach ($this->entries as $entry) {
            $xml->startElement('entry');
            $xml->writeElement('id', $entry['id']);
            $xml->writeElement('title', $entry['title']);
            $xml->writeElement('updated', $entry['at']->toAtomString());
            if ($entry['by'] !== null) {
                self::author($xml, $entry['by']);
            }
            self::link($xml, 'alternate', $entry['link']);
            $xml->endElement();
        }
        $xml->endElement();
        $xml->endDocument();

        return $xml->outputMemory();
    }

    private static function author(XMLWriter $xml, string $name): void
    {
        $xml->startElement('author');
        $xml->writeElement('name', $name);
        $xml->endElement();
    }

    private static function link(XMLWriter $xml, string $rel, string $href): void
    {
        $xml->startElement('link');
        $xml->writeAttribute('rel', $rel);
        $xml->writeAttribute('href', $href);
        $xml->endElement();
    }
}
