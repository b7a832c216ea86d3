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
    /** Standard input, in the place of a path. */
    private const INPUT = '-';

    /** @param string|null $as the ending that stands for its format; that of its name when it is null */
    public static function source(string $path, ?string $as = null): Source
    {
        $name = $path === self::INPUT ? 'standard input' : $path;

        return self::about($name, function () use ($path, $name, $as): Source {
            $source = new Source(FileFormat::ofPath($as === null ? $path : "file.{$as}"), $name, self::bytes($path));
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
        $most = (new FormatLimits)->bytes;
        if ($path === self::INPUT) {
            $bytes = (string) stream_get_contents(STDIN, $most + 1);

            return strlen($bytes) > $most
                ? throw new Trouble('standard input: it is larger than '.intdiv($most, 1_048_576).' MB.')
                : $bytes;
        }
        if (! is_file($path) || ! is_readable($path)) {
            throw new Trouble("{$path}: there is no such file, or it may not be read.");
        }
        if (filesize($path) > $most) {
            throw new Trouble("{$path}: it is larger than ".intdiv($most, 1_048_576).' MB.');
        }

        return (string) file_get_contents($path);
    }

    /**
     * @param  list<string>  $paths
     *
     * @throws Trouble
     */
    public static function once(array $paths): void
    {
        if (count(array_keys($paths, self::INPUT, true)) > 1) {
            throw new Trouble('standard input can be read once: - stands for one file.');
        }
    }

    /** The ending that `--as` gives. @throws Trouble when no format has it */
    public static function as(mixed $ending): ?string
    {
        if ($ending === null) {
            return null;
        }
        $ending = ltrim(is_string($ending) ? $ending : '', '.');
        self::about("--as={$ending}", fn () => FileFormat::ofPath("file.{$ending}"));

        return $ending;
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
