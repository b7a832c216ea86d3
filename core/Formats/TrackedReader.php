<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

/** Reads files that hold tracked changes and comments. */
interface TrackedReader extends Reader
{
    /** Authors whose tracked changes are told apart; those of further ones count as rejected. */
    public const MOST_AUTHORS = 20;

    /**
     * What a file was before its tracked changes, with what each author changed, and its comments.
     *
     * @throws Unreadable
     */
    public function tracked(string $bytes, FormatLimits $limits): Content;
}
