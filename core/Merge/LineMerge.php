<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Sequences\Sequences;

/** Merges two edits of one text line by line, and word by word within lines that both edited. All line ends stay as they were. */
final class LineMerge
{
    /** Longer lines are not taken apart. */
    private const LINE = 20_000;

    /**
     * @param  list<string>  $base  with their ends
     * @param  list<string>  $theirs
     * @param  list<string>  $mine
     * @return list<string|array{base: list<string>, theirs: list<string>, mine: list<string>}> merged text, and places where the sides met
     */
    public static function of(array $base, array $theirs, array $mine): array
    {
        $words = new Words;
        $pieces = [];
        $at = 0;
        $theirEdits = Sequences::align($base, $theirs)->settled($base, $theirs);
        $myEdits = Sequences::align($base, $mine)->settled($base, $mine);
        foreach (Regions::of($theirEdits, $myEdits) as [$from, $to, $their, $my]) {
            $pieces[] = implode('', array_slice($base, $at, $from - $at));
            $at = $to;
            $was = array_slice($base, $from, $to - $from);
            $theirLines = $their === null ? $was : array_slice($theirs, $their[0], $their[1] - $their[0]);
            $myLines = $my === null ? $was : array_slice($mine, $my[0], $my[1] - $my[0]);
            $pieces[] = match (true) {
                $theirLines === $myLines, $my === null => implode('', $theirLines),
                $their === null => implode('', $myLines),
                default => self::words($was, $theirLines, $myLines, $words) ?? [
                    'base' => $was,
                    'theirs' => $theirLines,
                    'mine' => $myLines,
                ],
            };
        }
        $pieces[] = implode('', array_slice($base, $at));

        return array_values(array_filter($pieces, fn (string|array $piece) => $piece !== ''));
    }

    /**
     * Lines that both edited, one by one, when there are as many on each side and no words meet.
     *
     * @param  list<string>  $was
     * @param  list<string>  $theirs
     * @param  list<string>  $mine
     */
    private static function words(array $was, array $theirs, array $mine, Words $words): ?string
    {
        if (count($was) !== count($theirs) || count($was) !== count($mine)) {
            return null;
        }
        $merged = '';
        foreach ($was as $at => $line) {
            $three = [$line, $theirs[$at], $mine[$at]];
            if (
                max(array_map(strlen(...), $three)) > self::LINE
                || array_filter($three, fn (string $each) => ! mb_check_encoding($each, 'UTF-8')) !== []
            ) {
                return null;
            }
            $merge = TextMerge::of(RichText::plain($line), RichText::plain($theirs[$at]), RichText::plain($mine[$at]), $words);
            if ($merge->meetings !== []) {
                return null;
            }
            $merged .= $merge->text->text();
        }

        return $merged;
    }
}
