<?php

declare(strict_types=1);

namespace App\Store\Lives;

/** One text in one field of a part (or one cell), from the version that brought it to the version that it was gone with. */
final readonly class Life
{
    /**
     * @param  string  $part  '' for the title of the item
     * @param  int|null  $gone  null as long as it is there
     * @param  string|null  $spelled  of a formula, as people read it when it came
     */
    public function __construct(
        public int $item,
        public string $part,
        public string $field,
        public int $from,
        public ?int $gone,
        public string $text,
        public ?string $spelled = null,
    ) {}

    /** Where it is among the texts that are kept with those of an item: an entry's with those of its form, after them. */
    public function place(int $home): string
    {
        return self::placed($home, $this->item, $this->part);
    }

    public static function placed(int $home, int $item, string $part): string
    {
        return $item === $home ? $part : sprintf('~%010d/%s', $item, $part);
    }

    /** @return array{int, string} item and part */
    public static function at(int $home, string $place): array
    {
        return str_starts_with($place, '~') ? [(int) substr($place, 1, 10), substr($place, 12)] : [$home, $place];
    }

    /** As people read it. */
    public function read(): string
    {
        return $this->spelled ?? $this->text;
    }

    public function until(?int $gone): self
    {
        return $this->between($this->from, $gone);
    }

    public function between(int $from, ?int $gone): self
    {
        return new self($this->item, $this->part, $this->field, $from, $gone, $this->text, $this->spelled);
    }

    /** About how many bytes it is kept in, before they are packed. */
    public function size(): int
    {
        return strlen($this->text) + strlen((string) $this->spelled) + 12;
    }
}
