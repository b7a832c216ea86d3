<?php

declare(strict_types=1);

namespace App\Actions;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\DocumentFormat;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Limits;

/** Reads a file that somebody brings along as a document. */
final class ReadDocument
{
    /** No larger than a server is set to take in: see deploy/php/attic.ini. */
    public const MOST_KB = 10_240;

    /** @throws Unreadable when it is none that can be read, or breaks the schema */
    public function handle(string $name, string $bytes): Content
    {
        $format = FileFormat::ofPath($name);
        if (DocumentFormat::tryFrom($format->value) === null || $format === FileFormat::Text) {
            throw Unreadable::because(__('item.file_not', ['formats' => 'Markdown, HTML, ODT, DOCX']));
        }
        $limits = new Limits;
        $content = $format->reader()->read($bytes, new FormatLimits(bytes: self::MOST_KB * 1024, unpacked: 134_217_728, tree: 8_388_608, parts: $limits->parts));
        $sent = json_decode((string) json_encode(array_map(fn (Part $part) => $part->toJson(), $content->tree->parts)), true);
        foreach ($content->kind->read($sent, $limits)->problems as $problem) {
            throw Unreadable::because(lcfirst(rtrim(__("problems.{$problem->code}", array_map(strval(...), $problem->variables)), '.')));
        }

        return $content;
    }
}
