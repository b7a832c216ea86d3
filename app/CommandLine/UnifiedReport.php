<?php

declare(strict_types=1);

namespace App\CommandLine;

use MistyAttic\Core\Files\FileComparison;
use MistyAttic\Core\Files\Hunk;
use MistyAttic\Core\Files\Source;
use MistyAttic\Core\Formats\Lines;

/** The unified form of POSIX.1-2024 (XCU, diff -u), for files that are made of lines. */
final class UnifiedReport
{
    private const CONTEXT = 3;

    public static function of(FileComparison $comparison, Source $old, Source $new): string
    {
        if ($comparison->lines === null) {
            throw new Trouble("--format=unified is for files that are made of lines, and a .{$comparison->format->value} file is not.");
        }
        if (str_starts_with($old->encoding->name, 'UTF-16') || str_starts_with($old->encoding->name, 'UTF-32')) {
            throw new Trouble("--format=unified is for files that are made of lines of bytes, and {$old->name} is {$old->encoding->name}.");
        }
        if ($comparison->lines->hunks === []) {
            return '';
        }
        $lines = Lines::of($comparison->oldText);
        $text = "--- {$old->name}\n+++ {$new->name}\n";
        $group = [];
        $drift = 0;
        foreach ($comparison->lines->hunks as $hunk) {
            $last = $group === [] ? null : $group[count($group) - 1];
            if ($last !== null && $hunk->at - $last->at - count($last->removed) > 2 * self::CONTEXT) {
                $text .= self::group($group, $lines, $drift);
                $drift += self::drift($group);
                $group = [];
            }
            $group[] = $hunk;
        }

        $text .= self::group($group, $lines, $drift);

        // Other programs apply it to the bytes of the file.
        return $comparison->oldText === $old->bytes ? $text : $old->encoding->bytes($text);
    }

    /** @param non-empty-list<Hunk> $group */
    private static function drift(array $group): int
    {
        return array_sum(array_map(fn ($hunk) => count($hunk->added) - count($hunk->removed), $group));
    }

    /**
     * @param  non-empty-list<Hunk>  $group
     * @param  list<string>  $lines  the old side
     */
    private static function group(array $group, array $lines, int $drift): string
    {
        $from = max(0, $group[0]->at - self::CONTEXT);
        $last = $group[count($group) - 1];
        $to = min(count($lines), $last->at + count($last->removed) + self::CONTEXT);
        $body = '';
        $at = $from;
        foreach ($group as $hunk) {
            $body .= self::lines(' ', array_slice($lines, $at, $hunk->at - $at))
            .self::lines('-', $hunk->removed)
            .self::lines('+', $hunk->added);
            $at = $hunk->at + count($hunk->removed);
        }
        $body .= self::lines(' ', array_slice($lines, $at, $to - $at));
        $length = $to - $from;
        $newLength = $length + self::drift($group);

        return '@@ -'.self::range($from, $length).' +'.self::range($from + $drift, $newLength)." @@\n{$body}";
    }

    private static function range(int $from, int $length): string
    {
        // An empty range is named by the line before it.
        $start = $length === 0 ? $from : $from + 1;

        return $length === 1 ? (string) $start : "{$start},{$length}";
    }

    /** @param list<string> $lines */
    private static function lines(string $sign, array $lines): string
    {
        $text = '';
        foreach ($lines as $line) {
            $text .= str_ends_with($line, "\n") ? $sign.$line : "{$sign}{$line}\n\\ No newline at end of file\n";
        }

        return $text;
    }
}
