<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Entry;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Cell;

/** An answer as plain text, for lists, files and skip rules: yes and no as such, dates as 2026-05-03, choices in the words they had. */
final class AnswerText
{
    public static function of(Part $answer): string
    {
        $value = $answer->fields['value'] ?? null;

        return match (true) {
            $answer->strings('said') !== [] => implode(', ', $answer->strings('said')),
            is_bool($value) => $value ? 'yes' : 'no',
            $value !== null => Cell::show($value),
            default => $answer->richText()->text(),
        };
    }
}
