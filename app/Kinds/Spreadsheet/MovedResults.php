<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Models\Item;
use App\Models\Version;
use App\Store\Excerpt;
use App\Store\States;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Cell;

/**
 * The versions after which a formula gave another result, though nobody wrote in its cell: read from the row of each version, back from the
 * newest, as far as the work is bounded.
 */
final readonly class MovedResults
{
    /** Versions that are looked at. */
    private const MOST = 400;

    public function __construct(private States $states) {}

    /**
     * @param  int  $since  the earliest version of which something is told
     * @param  array<int, true>  $own  the versions that wrote in the cell or its row
     * @return list<array{Version, Part, int}> the version, the row then, and the version before it; the newest first
     */
    public function of(Item $item, string $row, string $column, int $position, int $since, array $own): array
    {
        $versions = Version::query()
            ->with('user', 'milestone')
            ->where('item_id', $item->id)
            ->where('number', '>=', $since)
            ->orderByDesc('number')
            ->limit(self::MOST)
            ->get()
            ->all();
        $rows = $this->rows(array_values($versions), $row, $position);
        $moved = [];
        foreach ($versions as $at => $version) {
            [$is, $was, $before] = [$rows[$at] ?? null, $rows[$at + 1] ?? null, $versions[$at + 1] ?? null];
            if ($is === null || $was === null || $before === null) {
                break;
            }
            [$now, $then] = [$is->fields[$column] ?? null, $was->fields[$column] ?? null];
            if (
                ! isset($own[$version->number])
                && Cell::isFormula($now)
                && Cell::isFormula($then)
                && ! Part::same(Cell::result($now), Cell::result($then))
            ) {
                $moved[] = [$version, $is, $before->number];
            }
        }

        return $moved;
    }

    /**
     * The row in each of the versions, from the newest back to where it is not there.
     *
     * @param  list<Version>  $versions
     * @return list<Part>
     */
    private function rows(array $versions, string $row, int $position): array
    {
        $nodes = $this->states->nodes();
        $rows = [];
        foreach ($versions as $at => $version) {
            $part = $this->states->partsAt([[$version->root, $position]], $nodes)[0] ?? null;
            if ($part?->id !== $row) {
                $found = $at === 0 ? null : Excerpt::positionIn($this->states, $versions[$at - 1]->root, $position, $version->root, $row);
                if ($found === null) {
                    break;
                }
                $position = $found;
                $part = $this->states->part($version->root, $position);
            }
            if ($part === null) {
                break;
            }
            $rows[] = $part;
        }

        return $rows;
    }
}
