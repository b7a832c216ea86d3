<?php

declare(strict_types=1);

namespace MistyAttic\Core\Files;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Document\DocumentFormat;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\Workbook\OdsWriter;
use MistyAttic\Core\Formats\Workbook\XlsxWriter;

/** Parts as a file of a format that is not made of lines. */
final class FileWriter
{
    /** @param array<string, string> $pictures chunk => bytes */
    public static function of(FileFormat $format, string $name, PartTree $tree, array $pictures): string
    {
        $picture = fn (string $chunk): ?string => isset($pictures[$chunk])
            ? 'data:'.self::mediaType($pictures[$chunk]).';base64,'.base64_encode($pictures[$chunk])
            : null;
        $title = pathinfo($name, PATHINFO_FILENAME);

        return match ($format) {
            FileFormat::Odt, FileFormat::Docx => DocumentFormat::from($format->value)->writer()->write($title, $tree, $picture),
            FileFormat::Xlsx => (new XlsxWriter)->write($tree),
            FileFormat::Ods => (new OdsWriter)->write($tree),
            default => throw new \LogicException('Texts are written line by line'),
        };
    }

    private static function mediaType(string $bytes): string
    {
        return match (true) {
            str_starts_with($bytes, "\x89PNG") => 'image/png',
            str_starts_with($bytes, 'GIF8') => 'image/gif',
            str_starts_with($bytes, 'RIFF') => 'image/webp',
            default => 'image/jpeg',
        };
    }
}
