<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use MistyAttic\Core\Content\CoreException;

/** A file that can't be read: the message says why, as the end of a sentence, and where, if that is known. */
final class Unreadable extends \RuntimeException implements CoreException
{
    private function __construct(public readonly string $reason, public readonly ?string $place)
    {
        parent::__construct($place === null ? $reason : "{$reason} ({$place})");
    }

    public static function because(string $reason, ?string $place = null): self
    {
        return new self($reason, $place);
    }

    public static function tooLarge(string $what, int $most): self
    {
        return new self("{$what}, and {$most} is the most", null);
    }

    /** Text from the file in a message: cut, and without control characters. */
    public static function quote(string $text): string
    {
        return '“'.mb_substr((string) preg_replace('/[^\P{C}]/u', '·', mb_scrub($text)), 0, 60).'”';
    }
}
