<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Telling;

use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;

/**
 * One thing that happened, as facts: a stable code, the names and counts to say it with, and the parts it is about. The
 * words are chosen outside, so that it can be said in any language.
 */
final readonly class Statement
{
    /**
     * @param  string  $code  such as `removed` or `rewrote`
     * @param  array<string, string|int>  $values  `noun`, `form` (named, unnamed, several, section, rows, columns), `name`, `place`,
     *     `count` and the like
     * @param  non-empty-list<string>  $ids  the parts, the one to go to first
     * @param  int  $added  words that came in by it
     * @param  int  $removed  words that went
     * @param  list<string>  $with  keys of further changes ({@see Change::key}) that are part of it, such as the paragraph that was split
     * @param  list<string>|null  $cells  the cells, as `row/column`, when it is about some of a table; those of the consequence of others'
     *     edits are nobody's
     */
    public function __construct(
        public string $code,
        public ChangeType $type,
        public array $values,
        public array $ids,
        public int $added,
        public int $removed,
        public ?array $cells = null,
        public array $with = [],
    ) {}

    /** Whether it is no edit, but follows from edits elsewhere. */
    public function isConsequence(): bool
    {
        return $this->code === 'recalculated';
    }

    /**
     * The changes that it tells of: keys for {@see ChangeSet::pick}.
     *
     * @return list<string>
     */
    public function keys(): array
    {
        return $this->keysOf($this->type);
    }

    /**
     * The changes that lead back from it: keys for {@see ChangeSet::pick} of the inverted set.
     *
     * @return list<string>
     */
    public function keysBack(): array
    {
        return $this->code === 'retitled' ? [Statements::TITLE] : $this->keysOf($this->type->inverse());
    }

    /** @return list<string> */
    private function keysOf(ChangeType $type): array
    {
        return [
            ...array_map(fn (string $id) => "{$type->value}:{$id}", $this->isConsequence() ? [] : $this->cells ?? $this->ids),
            ...$this->with,
        ];
    }

    /** How telling it is: what is gone matters most, then what moved, what came, what was written over; an empty block least. */
    public function weight(): int
    {
        $empty = ($this->values['form'] ?? '') === 'unnamed' && ! in_array($this->values['noun'] ?? '', ['picture', 'table'], true);
        $rank = $empty ? 1 : match (true) {
            // Nothing came or went by it.
            in_array($this->code, ['split', 'joined', 'read_again'], true) => 3,
            $this->code === 'retitled' => 7,
            default => $this->rank(),
        };

        return $rank * 100_000 + min(99_999, 40 * count($this->ids) + $this->added + $this->removed);
    }

    private function rank(): int
    {
        return match ($this->type) {
            ChangeType::Removed => 8,
            ChangeType::Moved => 6,
            ChangeType::Added => 5,
            ChangeType::Edited => $this->added + $this->removed > 0 ? 4 : 3,
        };
    }

    /** An edit of a few words, marks or settings; cells say where they are, and many of one table are gathered there. */
    public function isSmall(): bool
    {
        return $this->type === ChangeType::Edited
            && count($this->ids) === 1
            && $this->cells === null
            && $this->added + $this->removed <= 4
            && ! in_array($this->code, ['retitled', 'renamed', 'emptied', 'answered', 'became'], true);
    }

    /** @return array{code: string, values: array<string, string|int>} */
    public function fact(): array
    {
        return ['code' => $this->code, 'values' => $this->values];
    }
}
