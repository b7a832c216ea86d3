<?php

declare(strict_types=1);

namespace App\View\Desks;

use MistyAttic\Core\Content\PartTree;

/** Some of an item as fields of a form, for somebody without an account, a session or scripts: as much of it as one form may send. */
interface VisitorForm
{
    /** Fields that a form has at most: PHP reads a thousand, `max_input_vars`, and drops the others without a word. */
    public const MOST = 400;

    /** The view that draws its fields. */
    public function view(): string;

    /**
     * @return list<array{name: string, asks: array<string, string>, isHere: bool}> the pages that it has, and what their addresses ask for;
     *     none when all of it is here
     */
    public function pages(): array;

    /** Whether something can be added at the end as plain text. */
    public function takesMore(): bool;

    /**
     * What can't be answered is told where it was written, in words.
     *
     * @param  array<mixed>  $parts  part => field => text
     */
    public function problem(array $parts): ?string;

    /**
     * What was sent, as a whole state or as edits of the one that was shown.
     *
     * @param  array<mixed>  $parts  part => field => text
     * @param  string  $added  what is put at the end
     * @return PartTree|array<string, mixed>|null null when nothing was changed, or it can't be read
     */
    public function read(array $parts, string $added): PartTree|array|null;
}
