<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\File\FileKind;
use MistyAttic\Core\Kinds\File\FileRole;

/** A plain text as a file with its lines. */
final class LineReader implements Reader
{
    public function read(string $bytes, FormatLimits $limits): Content
    {
        $lines = Lines::of($bytes);
        if (count($lines) > $limits->parts) {
            throw Unreadable::tooLarge('it has '.count($lines).' lines', $limits->parts);
        }
        $parts = [new Part('file', FileRole::Bytes->value, 0, ['name' => '', 'media' => 'text/plain', 'mark' => false])];
        foreach ($lines as $at => $line) {
            $text = rtrim($line, "\r\n");
            $end = match (substr($line, strlen($text))) {
                "\n" => 'lf', "\r\n" => 'crlf', "\r" => 'cr', default => '',
            };
            $parts[] = new Part(sprintf('l%04d', $at + 1), FileRole::Line->value, 1, ['text' => RichText::plain($text), 'end' => $end]);
        }

        return new Content(new FileKind, PartTree::of($parts));
    }
}
