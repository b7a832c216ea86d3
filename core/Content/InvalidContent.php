<?php

declare(strict_types=1);

namespace MistyAttic\Core\Content;

/** Content that can't be read at all. What merely breaks a kind's schema comes back as a list of {@see Problem}s. */
final class InvalidContent extends \InvalidArgumentException implements CoreException
{
    public static function notCanonicalJson(string $reason): self
    {
        return new self('Not canonical JSON: '.$reason);
    }

    public static function notRichText(string $reason): self
    {
        return new self('Not rich text: '.$reason);
    }

    public static function notChanges(string $reason): self
    {
        return new self('Not a change set: '.$reason);
    }

    public static function depthJump(int $position, int $depth): self
    {
        return new self("The part at position {$position} has depth {$depth}, more than one below the part before it");
    }

    public static function doubledId(string $id): self
    {
        return new self('Two parts share the id “'.self::cut($id).'”');
    }

    public static function noSuchPart(string $id): self
    {
        return new self('There is no part with the id “'.self::cut($id).'”');
    }

    /** Outside text in a message is cut, and control characters are taken out. */
    private static function cut(string $text): string
    {
        return mb_substr(preg_replace('/[^\P{C}]/u', '·', mb_scrub($text)) ?? '', 0, 60);
    }

    public static function nothingOfItsOwn(): self
    {
        return new self('These parts make no content of their own');
    }
}
