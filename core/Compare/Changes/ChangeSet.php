<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Changes;

use MistyAttic\Core\Content\InvalidContent;
use MistyAttic\Core\Content\PartTree;

/** What leads from one state to another, part by part. The order of the changes tells nothing. */
final readonly class ChangeSet
{
    /** @param list<Change> $changes at most one of each type for a part */
    public function __construct(public array $changes, public bool $exact = true) {}

    /**
     * Reads what {@see toJson} wrote.
     *
     * @throws InvalidContent
     */
    public static function fromJson(mixed $value): self
    {
        if (! is_array($value) || ! is_array($value['changes'] ?? null) || ! array_is_list($value['changes'])) {
            throw InvalidContent::notChanges('an object with a list of changes is needed');
        }

        return new self(array_map(Change::fromJson(...), $value['changes']), ($value['exact'] ?? true) === true);
    }

    public function isEmpty(): bool
    {
        return $this->changes === [];
    }

    /** @return list<Change> */
    public function of(ChangeType $type): array
    {
        return array_values(array_filter($this->changes, fn (Change $change) => $change->type === $type));
    }

    /**
     * The ids of all parts that changed, with the bits of how.
     *
     * @return array<string, int>
     */
    public function touched(): array
    {
        $touched = [];
        foreach ($this->changes as $change) {
            $touched[$change->id] = ($touched[$change->id] ?? 0) | $change->type->bit();
        }

        return $touched;
    }

    /** The set that leads back. */
    public function invert(): self
    {
        return new self(array_map(fn (Change $change) => $change->invert(), $this->changes), $this->exact);
    }

    /**
     * Some of the changes, with those that they need: see {@see Pick}.
     *
     * @param  PartTree  $old  the state that the set leads from
     * @param  list<string>  $keys  keys of changes ({@see Change::key}), or of one field of an edit: `edited:p4f2/text`
     */
    public function pick(PartTree $old, array $keys): Picked
    {
        return (new Pick($this, $old))->of($keys);
    }

    /**
     * For the tree that the set was made from, gives the other side to the byte. For one that has moved on, gives what fits
     * everywhere, or says all that does not: an edit needs the fields that it changes as they were, a removal the whole part.
     */
    public function apply(PartTree $tree): Applied
    {
        return (new Application($this, $tree))->result();
    }

    /** @return array{exact: bool, changes: list<array<string, mixed>>} */
    public function toJson(): array
    {
        return ['exact' => $this->exact, 'changes' => array_map(fn (Change $change) => $change->toJson(), $this->changes)];
    }
}
