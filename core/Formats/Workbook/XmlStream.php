<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use Closure;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Formats\Xml;
use XMLReader;

/** XML that is read piece by piece: without a document type, so without entities of its own, and without the network. */
final class XmlStream
{
    /**
     * @param  Closure(XMLReader): void  $element  is called where an element begins, and may read on to its end
     *
     * @throws Unreadable
     */
    public static function read(string $xml, string $place, Closure $element): void
    {
        if (Xml::declares($xml)) {
            throw Unreadable::because('it has a document type, which could bring in anything', $place);
        }
        $before = libxml_use_internal_errors(true);
        try {
            $reader = XMLReader::XML($xml, null, LIBXML_NONET | LIBXML_COMPACT | LIBXML_PARSEHUGE);
            while ($reader instanceof XMLReader && $reader->read()) {
                $reader->nodeType === XMLReader::ELEMENT && $element($reader);
            }
            foreach (libxml_get_errors() as $error) {
                $error->level < LIBXML_ERR_ERROR || throw Unreadable::because('its XML is broken', "{$place}, line {$error->line}");
            }
        } finally {
            libxml_clear_errors();
            libxml_use_internal_errors($before);
        }
    }
}
