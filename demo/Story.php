<?php

declare(strict_types=1);

namespace Demo;

/** A story as it is written in demo/stories; demo/README.md says how to write one. */
final readonly class Story
{
    /** @param list<Scene> $scenes */
    private function __construct(
        public string $file,
        public string $kind,
        public string $title,
        public string $shelf,
        public array $scenes,
    ) {}

    public static function read(string $file): self
    {
        $kind = $title = $shelf = '';
        $scenes = [];
        foreach (file($file, FILE_IGNORE_NEW_LINES) ?: [] as $at => $line) {
            if (trim($line) === '' || $line[0] === ';') {
                continue;
            }
            if (preg_match('/^(document|spreadsheet|page|form|dataset|report|file): (.+)$/', $line, $found) === 1) {
                [, $kind, $title] = $found;
            } elseif (preg_match('/^shelf: (.+)$/', $line, $found) === 1) {
                $shelf = $found[1];
            } elseif (preg_match('/^day (\d+) (\d\d):(\d\d) (\w+)$/', $line, $found) === 1) {
                $scenes[] = new Scene((int) $found[1], (int) $found[2] * 60 + (int) $found[3], $found[4], []);
            } elseif (str_starts_with($line, '  ') && $scenes !== []) {
                $scenes[array_key_last($scenes)] = $scenes[array_key_last($scenes)]->and(trim($line), basename($file).':'.($at + 1));
            } else {
                throw new \UnexpectedValueException(
                    basename($file).':'.($at + 1).": this line says nothing that a story understands: {$line}",
                );
            }
        }

        return new self($file, $kind, $title, $shelf, $scenes);
    }
}
