<?php

declare(strict_types=1);

namespace Demo;

use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;

/** How a story writes text. */
final class Prose
{
    /** With **bold**, _italic_ and `code` in it. */
    public static function rich(string $text): RichText
    {
        $runs = [];
        foreach (preg_split('/(\*\*.+?\*\*|_.+?_|`.+?`)/u', $text, -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [] as $piece) {
            $runs[] = match (true) {
                str_starts_with($piece, '**') => new Run(substr($piece, 2, -2), ['bold' => true]),
                $piece[0] === '_' && strlen($piece) > 2 => new Run(substr($piece, 1, -1), ['italic' => true]),
                $piece[0] === '`' => new Run(substr($piece, 1, -1), ['code' => true]),
                default => new Run($piece),
            };
        }

        return new RichText($runs);
    }

    public static function replaced(RichText $text, string $old, string $new): RichText
    {
        return new RichText(array_map(fn (Run $run) => new Run(str_replace($old, $new, $run->text), $run->marks), $text->runs));
    }

    /**
     * @param  non-empty-string  $sign
     * @return array{string, string}
     */
    public static function two(string $text, string $sign): array
    {
        $two = explode($sign, $text, 2);

        return count($two) === 2 ? [$two[0], $two[1]] : throw new \DomainException("“{$sign}” is missing");
    }
}
