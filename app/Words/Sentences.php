<?php

declare(strict_types=1);

namespace App\Words;

use Illuminate\Translation\Translator;

/** The sentences of the interface: a count of things has its separators in all of them. */
final class Sentences extends Translator
{
    /** @param array<string, mixed> $replace */
    protected function makeReplacements($line, array $replace)
    {
        $count = $replace['count'] ?? null;
        if (is_int($count) || (is_string($count) && ctype_digit($count))) {
            $replace['count'] = Numbers::said((int) $count);
        }

        return parent::makeReplacements($line, $replace);
    }
}
