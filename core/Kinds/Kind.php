<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Miniature\Drawing;

/** What one kind of item adds to parts: its schema, how its content is read and repaired, and how its parts are called. */
interface Kind
{
    /** The kind's word in the interface and the database, such as `document`. */
    public function name(): string;

    /** What a new item of this kind holds. */
    public function blank(string $firstId): PartTree;

    /**
     * Reads parts as they were sent and checks them against the schema; every problem is collected.
     *
     * @param  mixed  $content  a decoded JSON list of `[id, role, depth, fields]`
     */
    public function read(mixed $content, Limits $limits): Reading;

    /**
     * The same of parts that are there already.
     *
     * @return list<Problem>
     */
    public function problems(PartTree $tree, Limits $limits): array;

    /**
     * Puts right what a merge of two valid trees can leave lopsided, such as a table row one cell short.
     *
     * @param  PartTree|null  $sound  a valid tree: what is the very same part there need not be looked through
     */
    public function repair(PartTree $tree, ?PartTree $sound = null): PartTree;

    /** A short plain name for a part, from its own text: “Sign the log”. Empty when it has none. */
    public function label(PartTree $tree, Part $part): string;

    /** The id of the part that names the place a part is in (a document's nearest heading above), if any. */
    public function place(PartTree $tree, Part $part): ?string;

    /** A name for where a part is: its own, or of a text or a row the name of what it is under. */
    public function whereabouts(PartTree $tree, Part $part): string;

    /** A value of a field as a person writes it: of a formula itself, not its result. */
    public function written(PartTree $tree, Part $part, mixed $value): string;

    /** Whether a value is what another one is read as since its column became what it is now: nobody typed it. */
    public function isReadAs(?Part $before, Part $column, mixed $was, mixed $is): bool;

    /** The sentence-level name of a part, such as `paragraph`, for choosing the phrase. */
    public function noun(Part $part): string;

    /**
     * The chunks that a part refers to by address, as hexadecimal text.
     *
     * @return list<string>
     */
    public function chunksOf(Part $part): array;

    /**
     * What people read in a part, and may look for.
     *
     * @return array<string, string> field, or column of a cell => text
     */
    public function texts(Part $part): array;

    /** How a state looks from afar. */
    public function drawing(): Drawing;

    /** The roles that make a table, for kinds that have one. */
    public function grid(): ?Grid;

    /** The role whose parts are beside each other, such as the columns of a page; null where all goes down. */
    public function beside(): ?string;

    /** A block at the top that says something about the one before it; null for a kind that has no such blocks. */
    public function remark(string $id, RichText $text): ?Part;

    /** Whether readers see a published version while editors go on with a draft. */
    public function isPublishable(): bool;

    /** Whether people answer it, each with an entry of their own. */
    public function isAnswered(): bool;
}
