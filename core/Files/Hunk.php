<?php

declare(strict_types=1);

namespace MistyAttic\Core\Files;

use MistyAttic\Core\Content\InvalidContent;

/** Lines that went and came at one place, with what is around them. Lines keep their ends. */
final readonly class Hunk
{
    /**
     * @param  int  $at  position of the first line on the old side, from 0
     * @param  list<string>  $before  up to three lines that are the same on both sides
     * @param  list<string>  $removed
     * @param  list<string>  $added
     * @param  list<string>  $after
     */
    public function __construct(public int $at, public array $before, public array $removed, public array $added, public array $after) {}

    /** @throws InvalidContent */
    public static function fromJson(mixed $value): self
    {
        if (! is_array($value) || ! is_int($value['at'] ?? null) || $value['at'] < 0) {
            throw InvalidContent::notChanges('a change of lines tells where it is');
        }

        return new self(
            $value['at'],
            ...array_map(fn (string $name) => self::decoded($value[$name] ?? []), ['before', 'removed', 'added', 'after']),
        );
    }

    /** @return array<string, mixed> */
    public function toJson(): array
    {
        return [
            'at' => $this->at,
            ...array_map(self::encoded(...), [
                'before' => $this->before,
                'removed' => $this->removed,
                'added' => $this->added,
                'after' => $this->after,
            ]),
        ];
    }

    /**
     * JSON holds UTF-8 alone: any other line goes as `{"base64": …}`.
     *
     * @param  list<string>  $lines
     * @return list<string|array{base64: string}>
     */
    private static function encoded(array $lines): array
    {
        return array_map(fn (string $line) => mb_check_encoding($line, 'UTF-8') ? $line : ['base64' => base64_encode($line)], $lines);
    }

    /**
     * @return list<string>
     *
     * @throws InvalidContent
     */
    private static function decoded(mixed $lines): array
    {
        if (! is_array($lines) || ! array_is_list($lines)) {
            throw InvalidContent::notChanges('lines are a list');
        }

        return array_map(function (mixed $line): string {
            $text = is_array($line) && is_string($line['base64'] ?? null) ? base64_decode($line['base64'], true) : $line;

            return is_string($text) ? $text : throw InvalidContent::notChanges('a line is a text');
        }, $lines);
    }
}
