<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use ZipArchive;

/** A ZIP archive that is read into memory within limits; a path in it that leads out of it, and one that is a bomb, is refused. */
final class Archive
{
    private function __construct(private readonly ZipArchive $zip, private readonly string $path) {}

    public function __destruct()
    {
        $this->zip->close();
        @unlink($this->path);
    }

    /** @throws Unreadable */
    public static function of(string $bytes, FormatLimits $limits): self
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'attic');
        file_put_contents($path, $bytes);
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            @unlink($path);
            throw Unreadable::because('it is not the archive that its ending says');
        }
        $archive = new self($zip, $path);
        $archive->check($limits);

        return $archive;
    }

    /** @return list<string> the files in it */
    public function names(): array
    {
        $names = [];
        for ($at = 0; $at < $this->zip->numFiles; $at++) {
            $names[] = (string) $this->zip->getNameIndex($at);
        }

        return $names;
    }

    /** Where a copy of the whole archive lies for as long as this object lives. */
    public function path(): string
    {
        return $this->path;
    }

    /**
     * @param  int  $most  bytes
     *
     * @throws Unreadable when it is not there or larger
     */
    public function file(string $name, int $most): string
    {
        return $this->fileIfThere($name, $most) ?? throw Unreadable::because('a part of it is missing', $name);
    }

    /** @throws Unreadable */
    public function fileIfThere(string $name, int $most): ?string
    {
        $stat = $this->zip->statName($name);
        if ($stat === false) {
            return null;
        }
        if ($stat['size'] > $most) {
            throw Unreadable::because('a part of it is too large to be read', $name);
        }
        // As much memory is taken as is asked for, whatever is there.
        $bytes = $this->zip->getFromName($name, (int) $stat['size'] + 1);
        if ($bytes === false || strlen($bytes) !== $stat['size']) {
            throw Unreadable::because('a part of it is broken', $name);
        }

        return $bytes;
    }

    private function check(FormatLimits $limits): void
    {
        if ($this->zip->numFiles > $limits->entries) {
            throw Unreadable::tooLarge("it holds {$this->zip->numFiles} files", $limits->entries);
        }
        $unpacked = 0;
        for ($at = 0; $at < $this->zip->numFiles; $at++) {
            $stat = $this->zip->statIndex($at);
            $name = $stat === false ? '' : (string) $stat['name'];
            if (
                $stat === false
                || str_contains($name, "\0")
                || str_contains($name, '\\')
                || str_starts_with($name, '/')
                || preg_match('~(^|/)\.\.(/|$)|^[A-Za-z]:~', $name) === 1
            ) {
                throw Unreadable::because('it holds a path that leads out of it', Unreadable::quote($name));
            }
            $unpacked += $stat['size'];
        }
        if ($unpacked > $limits->unpacked) {
            throw Unreadable::because('unpacked it would be larger than '.intdiv($limits->unpacked, 1_048_576).' MB');
        }
    }
}
