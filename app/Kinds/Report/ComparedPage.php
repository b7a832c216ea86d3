<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Models\User;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Content\Part;

/** A page of a report as it was and as it is, and its layout before and after: two small sheets of twelve columns. */
final readonly class ComparedPage
{
    /** Pixels: the height of a sheet at most, and of one row of it at most. */
    private const HEIGHT = 150;

    private const ROW = 8;

    /**
     * @param  'added'|'removed'|'edited'|'moved'|'same'  $state
     * @param  User|null  $editor  null where nobody changed it
     * @param  list<ComparedWidget>  $widgets
     */
    public function __construct(public MarkedPart $page, public string $state, public ?User $editor, public array $widgets) {}

    /** Whether its layout is drawn: where something came, went or is elsewhere on a page that is on both sides. */
    public function hasMap(): bool
    {
        return ! $this->cameOrWent()
            && array_filter(
                $this->widgets,
                fn (ComparedWidget $one): bool => $one->isElsewhere() || in_array($one->state, ['added', 'removed'], true),
            ) !== [];
    }

    private function cameOrWent(): bool
    {
        return in_array($this->state, ['added', 'removed'], true);
    }

    /** @return list<ComparedWidget> what is elsewhere, or of another size */
    public function moved(): array
    {
        return array_values(array_filter($this->widgets, fn (ComparedWidget $one): bool => $one->isElsewhere()));
    }

    /** @return int rows of the deeper sheet, at least four */
    public function deep(): int
    {
        return max([
            4,
            ...array_map(
                fn (Part $part): int => $part->int('y') + $part->int('down'),
                array_values(
                    array_filter(
                        array_merge([], ...array_map(fn (ComparedWidget $one): array => array_values($one->parts()), $this->widgets)),
                    ),
                ),
            ),
        ]);
    }

    /** @return float pixels of one row */
    public function unit(): float
    {
        return min(self::ROW, self::HEIGHT / $this->deep());
    }
}
