<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

use MistyAttic\Core\Compare\Changes\Spot;
use MistyAttic\Core\Content\CanonicalJson;
use MistyAttic\Core\Content\InvalidContent;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;

/** An edit that met another one in the same place, with all that is needed to settle it later. */
final readonly class Conflict
{
    /**
     * @param  string  $id  the part
     * @param  list<Part>  $mine  the part and what is below it, as it was in my state; empty when I had removed it
     * @param  Spot|null  $spot  where it stood in my state
     * @param  TextMeeting|null  $meeting  for two edits in one text
     * @param  array<string, mixed>  $cells  row => value, of a column that I wrote in and they removed
     */
    public function __construct(
        public ConflictType $type,
        public string $id,
        public array $mine,
        public ?Spot $spot,
        public ?string $field = null,
        public ?TextMeeting $meeting = null,
        public array $cells = [],
    ) {}

    /** @throws InvalidContent */
    public static function fromJson(string $json): self
    {
        /**
         * @var array{type: string, id: string, mine: list<string>, spot: array{string, ?string}|null, field: ?string, meeting: array<string, mixed>|null, cells?: array<string, mixed>}
         *     $value
         */
        $value = CanonicalJson::decode($json);

        return new self(
            ConflictType::from($value['type']),
            $value['id'],
            array_map(Part::fromRecord(...), $value['mine']),
            $value['spot'] === null ? null : new Spot(...$value['spot']),
            $value['field'],
            $value['meeting'] === null ? null : new TextMeeting(...array_map(RichText::fromJson(...), $value['meeting'])),
            $value['cells'] ?? [],
        );
    }

    /**
     * This conflict in place of an earlier one of the same author, when it goes on with that: the state that both sides of this
     * one come from holds what the earlier one has as mine. Nothing of the earlier one is left out then.
     *
     * @param  PartTree  $base  the state that this conflict's merge came from
     * @return self|null null when they are two
     */
    public function after(self $earlier, PartTree $base): ?self
    {
        if ($earlier->type !== $this->type || $earlier->id !== $this->id || $earlier->field !== $this->field) {
            return null;
        }
        $held = $earlier->mine[0] ?? null;
        $was = $base->find($this->id);

        return match ($this->type) {
            // A removal or a move takes no words along.
            ConflictType::RemovedEdited, ConflictType::Moved => $this,
            ConflictType::EditedRemoved => $was !== null
            && self::records($base->subtree($this->id)) === self::records($earlier->mine)
            && $earlier->cellsAreIn($base)
                ? $this
                : null,
            ConflictType::Value => $was !== null
            && $held !== null
            && ($this->field === null
                ? $held->sameFields($was)
                : Part::same($held->fields[$this->field] ?? null, $was->fields[$this->field] ?? null))
                ? $this
                : null,
            ConflictType::Text => $was !== null
            && $held !== null
            && $this->field !== null
            && Part::same($held->fields[$this->field] ?? null, $was->fields[$this->field] ?? null)
                ? $this->textAfter($earlier)
                : null,
        };
    }

    /** Whether a state holds all that was written in a column that was removed; a part of the tree does not show it. */
    private function cellsAreIn(PartTree $tree): bool
    {
        foreach ($this->cells as $row => $value) {
            if (! Part::same($value, $tree->find((string) $row)->fields[$this->id] ?? null)) {
                return false;
            }
        }

        return true;
    }

    /** Where the place that met now holds all of what waited, it stands for it; else the whole text does. */
    private function textAfter(self $earlier): ?self
    {
        [$now, $before, $mine] = [$this->meeting, $earlier->meeting, $this->mine[0] ?? null];
        if ($now === null || $before === null || $mine === null || $this->field === null) {
            return null;
        }
        if ($before->mine->isEmpty() || str_contains($now->base->text(), $before->mine->text())) {
            return $this;
        }
        $whole = new TextMeeting(
            new RichText,
            ($earlier->mine[0] ?? $mine)->richText($this->field),
            $now->with($now->theirs),
            $mine->richText($this->field),
            new RichText,
        );

        return new self($this->type, $this->id, $this->mine, $this->spot, $this->field, $whole);
    }

    /**
     * @param  list<Part>  $parts
     * @return list<string>
     */
    private static function records(array $parts): array
    {
        return array_map(fn (Part $part) => $part->atDepth($part->depth - ($parts[0]->depth ?? 0))->record(), $parts);
    }

    public function toJson(): string
    {
        return CanonicalJson::encode([
            'type' => $this->type->value,
            'id' => $this->id,
            'mine' => array_map(fn (Part $part) => $part->record(), $this->mine),
            'spot' => $this->spot === null ? null : [$this->spot->parent, $this->spot->after],
            'field' => $this->field,
            'meeting' => $this->meeting === null
                ? null
                : array_map(fn (mixed $text) => $text instanceof RichText ? $text->toJson() : null, get_object_vars($this->meeting)),
            ...$this->cells === [] ? [] : ['cells' => $this->cells],
        ]);
    }
}
