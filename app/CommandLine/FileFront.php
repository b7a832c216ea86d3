<?php

declare(strict_types=1);

namespace App\CommandLine;

use App\View\Phrases;
use Illuminate\Container\Container;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Translation\FileLoader;
use Illuminate\Translation\Translator;
use MistyAttic\Core\Content\CoreException;
use Symfony\Component\Console\Application;
use Symfony\Component\Console\Exception\ExceptionInterface;
use Symfony\Component\Console\Output\ConsoleOutput;

/** `bin/attic`: the core on files, without the application or its database. */
final class FileFront
{
    /** The newest heading of the changelog, as a number. */
    public const VERSION = '0.12.0';

    /** The same, or merged without conflict. */
    public const SAME = 0;

    /** Different, or merged with conflicts. */
    public const DIFFERENT = 1;

    public const TROUBLE = 2;

    public static function run(string $root): int
    {
        self::sayWhenMemoryEnds();
        // The sentences are chosen by the application's own phrases, which ask the container for a translator.
        Container::getInstance()->instance('translator', new Translator(new FileLoader(new Filesystem, "{$root}/lang"), 'en'));
        $front = new Application('attic', self::VERSION);
        $front->addCommands([new CompareFiles(new Phrases), new ApplyChanges, new MergeFiles]);
        $front->setAutoExit(false);
        $front->setCatchExceptions(false);
        $output = new ConsoleOutput;
        try {
            return $front->run(null, $output);
        } catch (CoreException|Trouble|ExceptionInterface $e) {
            self::complain($e->getMessage());
        } catch (\Throwable $e) {
            self::complain('something is wrong in here: '.$e->getMessage().' at '.basename($e->getFile()).':'.$e->getLine());
        }

        return self::TROUBLE;
    }

    private static function complain(string $message): void
    {
        fwrite(STDERR, 'attic: '.trim((string) preg_replace('/\s+/', ' ', $message))."\n");
    }

    private static function sayWhenMemoryEnds(): void
    {
        $reserve = str_repeat('x', 65_536);
        register_shutdown_function(function () use (&$reserve): void {
            $reserve = '';
            $error = error_get_last();
            if ($error !== null && $error['type'] === E_ERROR) {
                self::complain(
                    str_contains($error['message'], 'memory')
                        ? 'the files hold more than can be compared in 512 MB of memory'
                        : 'something is wrong in here: '.$error['message'],
                );
                exit(self::TROUBLE);
            }
        });
    }
}
