<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Changes;

use MistyAttic\Core\Content\InvalidContent;
use MistyAttic\Core\Content\Part;

/**
 * One part's change. An addition has no before and from, a removal no after and to; an edit stays where it is.
 * Its properties are written in this class alone; readonly ones can't be written to a clone, as which thousands of edits are made.
 */
final class Change
{
    private static ?self $edit = null;

    private function __construct(
        /** @phpstan-readonly-allow-private-mutation */
        public ChangeType $type,
        /** @phpstan-readonly-allow-private-mutation */
        public string $id,
        /** @phpstan-readonly-allow-private-mutation */
        public ?Part $before,
        /** @phpstan-readonly-allow-private-mutation */
        public ?Part $after,
        /** @phpstan-readonly-allow-private-mutation */
        public ?Spot $from = null,
        /** @phpstan-readonly-allow-private-mutation */
        public ?Spot $to = null,
    ) {}

    public static function added(Part $part, Spot $to): self
    {
        return new self(ChangeType::Added, $part->id, null, $part, null, $to);
    }

    public static function removed(Part $part, Spot $from): self
    {
        return new self(ChangeType::Removed, $part->id, $part, null, $from);
    }

    public static function moved(Part $before, Part $after, Spot $from, Spot $to): self
    {
        return new self(ChangeType::Moved, $after->id, $before, $after, $from, $to);
    }

    public static function edited(Part $before, Part $after): self
    {
        $edit = clone self::$edit ??= new self(ChangeType::Edited, '', null, null);
        $edit->id = $after->id;
        $edit->before = $before;
        $edit->after = $after;

        return $edit;
    }

    /** @throws InvalidContent */
    public static function fromJson(mixed $value): self
    {
        $type = is_array($value) && is_string($value['type'] ?? null) ? ChangeType::tryFrom($value['type']) : null;
        if (! is_array($value) || $type === null) {
            throw InvalidContent::notChanges('a change has one of the types added, removed, moved and edited');
        }
        $before = isset($value['before']) ? Part::fromJson($value['before']) : null;
        $after = isset($value['after']) ? Part::fromJson($value['after']) : null;
        $from = isset($value['from']) ? Spot::fromJson($value['from']) : null;
        $to = isset($value['to']) ? Spot::fromJson($value['to']) : null;
        $has = [$before !== null, $after !== null, $from !== null, $to !== null];
        $needs = match ($type) {
            ChangeType::Added => [false, true, false, true],
            ChangeType::Removed => [true, false, true, false],
            ChangeType::Moved => [true, true, true, true],
            ChangeType::Edited => [true, true, false, false],
        };
        if ($has !== $needs || ($before !== null && $after !== null && $before->id !== $after->id)) {
            throw InvalidContent::notChanges("a change of the type {$type->value} does not have what it needs");
        }

        return new self($type, ($after ?? $before)->id ?? '', $before, $after, $from, $to);
    }

    /** Tells a change from all others of its set. */
    public function key(): string
    {
        return $this->type->value.':'.$this->id;
    }

    /** The same addition or move to another spot. */
    public function at(Spot $to): self
    {
        return new self($this->type, $this->id, $this->before, $this->after, $this->from, $to);
    }

    public function invert(): self
    {
        return new self($this->type->inverse(), $this->id, $this->after, $this->before, $this->to, $this->from);
    }

    /** The part as it is on the side where it still is, the later one first. */
    public function part(): Part
    {
        return $this->after ?? $this->before ?? throw new \LogicException('A change has a part');
    }

    /**
     * The fields that an edit changes.
     *
     * @return list<string>
     */
    public function fields(): array
    {
        return $this->type !== ChangeType::Edited || $this->before === null || $this->after === null ? [] : $this->before->differing($this->after);
    }

    /** @return array<string, mixed> */
    public function toJson(): array
    {
        return array_filter([
            'type' => $this->type->value,
            'before' => $this->before?->toJson(),
            'after' => $this->after?->toJson(),
            'from' => $this->from?->toJson(),
            'to' => $this->to?->toJson(),
        ], fn (mixed $value) => $value !== null);
    }
}
