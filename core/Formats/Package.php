<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use ZipArchive;

/** Puts an archive together; the same files give the same bytes. */
final class Package
{
    /** @var list<array{string, string, bool}> name, bytes, whether it is packed */
    private array $files = [];

    public function add(string $name, string $bytes, bool $packed = true): void
    {
        $this->files[] = [$name, $bytes, $packed];
    }

    public function bytes(): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'attic');
        $zip = new ZipArchive;
        $zip->open($path, ZipArchive::OVERWRITE);
        foreach ($this->files as $at => [$name, $bytes, $packed]) {
            $zip->addFromString($name, $bytes);
            $zip->setCompressionIndex($at, $packed ? ZipArchive::CM_DEFLATE : ZipArchive::CM_STORE);
            // The first moment that a ZIP can tell.
            $zip->setMtimeIndex($at, 315_532_800);
        }
        $zip->close();
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }
}
