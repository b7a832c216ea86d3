<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

use MistyAttic\Core\Compare\Spot;
use MistyAttic\Core\Content\CanonicalJson;
use MistyAttic\Core\Content\InvalidContent;
use MistyAttic\Core\Content\Part;
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
        /** @var array{type: string, id: string, mine: list<string>, spot: array{string, ?string}|null, field: ?string, meeting: array<string, mixed>|null, cells?: array<string, mixed>} $value */
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

    public function toJson(): string
    {
        return CanonicalJson::encode([
            'type' => $this->type->value,
            'id' => $this->id,
            'mine' => array_map(fn (Part $part) => $part->record(), $this->mine),
            'spot' => $this->spot === null ? null : [$this->spot->parent, $this->spot->after],
            'field' => $this->field,
            'meeting' => $this->meeting === null ? null : array_map(fn (RichText $text) => $text->toJson(), get_object_vars($this->meeting)),
            ...($this->cells === [] ? [] : ['cells' => $this->cells]),
        ]);
    }
}
