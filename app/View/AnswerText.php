<?php

declare(strict_types=1);

namespace App\View;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Cell;

/** An answer as text. */
final class AnswerText
{
    public static function of(Part $answer): string
    {
        $value = $answer->fields['value'] ?? null;

        return match (true) {
            $answer->strings('said') !== [] => implode(', ', $answer->strings('said')),
            is_bool($value) => __($value ? 'form.yes' : 'form.no'),
            $value !== null => Cell::show($value),
            default => $answer->richText()->text(),
        };
    }
}
