<?php

declare(strict_types=1);

namespace App\CommandLine;

use MistyAttic\Core\Files\Source;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Unreadable;

/** Where commands meet the disk. Nothing that is read is ever changed. */
final class Files
{
    public static function source(string $path): Source
    {
        return self::about($path, function () use ($path): Source {
            $source = new Source(FileFormat::ofPath($path), $path, self::bytes($path));
            if ($source->format !== FileFormat::Text) {
                $source->content();
            }

            return $source;
        });
    }

    /**
     * @template T
     *
     * @param  \Closure(): T  $read
     * @return T
     *
     * @throws Trouble that names the file
     */
    public static function about(string $path, \Closure $read): mixed
    {
        try {
            return $read();
        } catch (Unreadable $e) {
            throw new Trouble("{$path}".($e->place === null ? '' : ", {$e->place}").": {$e->reason}.", 0, $e);
        }
    }

    public static function bytes(string $path): string
    {
        if (! is_file($path) || ! is_readable($path)) {
            throw new Trouble("{$path}: there is no such file, or it may not be read.");
        }
        $most = (new FormatLimits)->bytes;
        if (filesize($path) > $most) {
            throw new Trouble("{$path}: it is larger than ".intdiv($most, 1_048_576).' MB.');
        }

        return (string) file_get_contents($path);
    }

    /** @param string|null $path standard output when it is null */
    public static function put(?string $path, string $bytes): void
    {
        if ($path === null) {
            fwrite(STDOUT, $bytes);
        } elseif (@file_put_contents($path, $bytes) !== strlen($bytes)) {
            throw new Trouble("{$path}: it can not be written.");
        }
    }
}
