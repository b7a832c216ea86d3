<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use DOMDocument;
use DOMElement;
use DOMNode;

/**
 * XML without document type, so without entities of its own, read as a tree whose names have the prefixes that the standards use, whatever
 * prefixes a file gives them.
 */
final class Xml
{
    /** Namespace => prefix: ECMA-376 part 1 and its strict form, ODF 1.3 part 3, and what both make use of. */
    private const PREFIXES = [
        'http://schemas.openxmlformats.org/wordprocessingml/2006/main' => 'w',
        'http://purl.oclc.org/ooxml/wordprocessingml/main' => 'w',
        'http://schemas.openxmlformats.org/drawingml/2006/main' => 'a',
        'http://purl.oclc.org/ooxml/drawingml/main' => 'a',
        'http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing' => 'wp',
        'http://purl.oclc.org/ooxml/drawingml/wordprocessingDrawing' => 'wp',
        'http://schemas.openxmlformats.org/officeDocument/2006/relationships' => 'r',
        'http://purl.oclc.org/ooxml/officeDocument/relationships' => 'r',
        'http://schemas.openxmlformats.org/package/2006/relationships' => '',
        'http://schemas.openxmlformats.org/spreadsheetml/2006/main' => '',
        'http://purl.oclc.org/ooxml/spreadsheetml/main' => '',
        'urn:oasis:names:tc:opendocument:xmlns:office:1.0' => 'office',
        'urn:oasis:names:tc:opendocument:xmlns:text:1.0' => 'text',
        'urn:oasis:names:tc:opendocument:xmlns:table:1.0' => 'table',
        'urn:oasis:names:tc:opendocument:xmlns:style:1.0' => 'style',
        'urn:oasis:names:tc:opendocument:xmlns:drawing:1.0' => 'draw',
        'urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0' => 'fo',
        'urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0' => 'svg',
        'http://www.w3.org/1999/xlink' => 'xlink',
        'http://purl.org/dc/elements/1.1/' => 'dc',
    ];

    /** @throws Unreadable */
    public static function read(string $xml, string $place): DOMElement
    {
        if (self::declares($xml)) {
            throw Unreadable::because('it has a document type, which could bring in anything', $place);
        }
        $document = new DOMDocument;
        $before = libxml_use_internal_errors(true);
        $read = $document->loadXML($xml, LIBXML_NONET | LIBXML_COMPACT);
        $error = libxml_get_last_error();
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if ($document->doctype !== null) {
            throw Unreadable::because('it has a document type, which could bring in anything', $place);
        }
        if (! $read || $document->documentElement === null) {
            throw Unreadable::because('its XML is broken', $place.($error === false ? '' : ", line {$error->line}"));
        }

        preg_match_all('/xmlns:?([\w.-]*)\s*=\s*["\']([^"\']+)["\']/', $xml, $bound, PREG_SET_ORDER);
        foreach ($bound as [, $prefix, $namespace]) {
            if ((self::PREFIXES[$namespace] ?? $prefix) !== $prefix) {
                self::rename($document->documentElement);
                break;
            }
        }

        return $document->documentElement;
    }

    /** Gives everything below an element the prefix that its namespace has here. */
    private static function rename(DOMElement $element): void
    {
        foreach ([$element, ...iterator_to_array($element->attributes, false), ...self::children($element)] as $node) {
            if ($node instanceof DOMElement && $node !== $element) {
                self::rename($node);
            } elseif ($node->namespaceURI !== null && $node->prefix !== (self::PREFIXES[$node->namespaceURI] ?? $node->prefix)) {
                $node->prefix = self::PREFIXES[$node->namespaceURI];
            }
        }
    }

    /** Whether it has a document type or entities of its own, in any encoding of one, two or four bytes a sign. */
    public static function declares(string $xml): bool
    {
        return preg_match('/<!DOCTYPE|<!ENTITY/i', str_replace("\0", '', $xml)) === 1;
    }

    /** @return iterable<DOMElement> */
    public static function children(DOMNode $node, string ...$names): iterable
    {
        foreach ($node->childNodes as $child) {
            if ($child instanceof DOMElement && ($names === [] || in_array(self::name($child), $names, true))) {
                yield $child;
            }
        }
    }

    /** The DOM leaves a colon where a prefix was taken away. */
    private static function name(DOMElement $element): string
    {
        return ltrim($element->nodeName, ':');
    }

    public static function child(DOMNode $node, string ...$path): ?DOMElement
    {
        foreach ($path as $name) {
            $found = null;
            foreach (self::children($node, $name) as $found) {
                break;
            }
            if ($found === null) {
                return null;
            }
            $node = $found;
        }

        return $node instanceof DOMElement ? $node : null;
    }

    /**
     * By the name with its prefix, which the search of the DOM does not know.
     *
     * @return iterable<DOMElement> at any depth
     */
    public static function all(DOMElement $element, string $name): iterable
    {
        foreach (self::children($element) as $child) {
            if (self::name($child) === $name) {
                yield $child;
            }
            yield from self::all($child, $name);
        }
    }

    public static function escape(string $text): string
    {
        // What XML 1.0 (§2.2) can't hold at all is left out.
        $text = (string) preg_replace('/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u', '', mb_scrub($text));

        return htmlspecialchars($text, ENT_QUOTES | ENT_XML1 | ENT_SUBSTITUTE, 'UTF-8');
    }
}
