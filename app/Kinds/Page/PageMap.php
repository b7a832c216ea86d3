<?php

declare(strict_types=1);

namespace App\Kinds\Page;

use App\Kinds\Form\MapBox;
use App\View\Comparison;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Page\PageKind;
use MistyAttic\Core\Kinds\Page\PageRole;

/** Small maps of a page's layout before and after, one below the other, with arrows from where blocks stood to where they are. */
final class PageMap
{
    public const WIDTH = 208;

    private const INSET = 8;

    private const GAP = 5;

    /** Pixels that a letter takes in a box. */
    private const LETTER = 5.4;

    private PageKind $kind;

    /** @var array{list<MapBox>, list<MapBox>} before, after */
    public array $boxes;

    /** @var array{int, int} heights of the two */
    public array $heights;

    /** @var list<array{path: string, colour: int|null, name: string}> */
    public array $arrows;

    public function __construct(private readonly Comparison $comparison)
    {
        $this->kind = new PageKind;
        [$before, $tall] = $this->side($comparison->old, ChangeType::Removed);
        [$after, $taller] = $this->side($comparison->new, ChangeType::Added);
        $this->boxes = [$before, $after];
        $this->heights = [$tall, $taller];
        $this->arrows = $this->arrows($before, $after);
    }

    /** Where the second map begins. */
    public function second(): int
    {
        return $this->heights[0] + 34;
    }

    public function height(): int
    {
        return $this->second() + $this->heights[1] + 22;
    }

    /** @return array{list<MapBox>, int} the boxes, and how tall they are together */
    private function side(PartTree $tree, ChangeType $own): array
    {
        $boxes = [];
        $y = self::INSET;
        foreach ($tree->children()[PartTree::ROOT] ?? [] as $section) {
            $top = $y;
            $y += $tree->get($section)->string('title') === '' ? self::GAP : 14;
            $columns = $tree->children()[$section] ?? [];
            $widths = array_map(fn (string $column) => max(1, $tree->get($column)->int('width')), $columns);
            $room = self::WIDTH - 4 * self::INSET - (count($columns) - 1) * self::GAP;
            $x = 2 * self::INSET;
            $bottom = $y + 10;
            foreach ($columns as $at => $column) {
                $width = (int) ($room * $widths[$at] / max(12, array_sum($widths)));
                $down = $y;
                foreach ($tree->children()[$column] ?? [] as $id) {
                    $part = $tree->get($id);
                    $boxes[] = $this->box($tree, $part, $x, $down, $width, $own);
                    $down += $this->tall($part) + self::GAP;
                }
                $bottom = max($bottom, $down);
                $x += $width + self::GAP;
            }
            array_unshift(
                $boxes,
                new MapBox(
                    $section,
                    self::INSET,
                    $top,
                    self::WIDTH - 2 * self::INSET,
                    $bottom - $top,
                    $this->cut($tree->get($section)->string('title'), self::WIDTH - 4 * self::INSET),
                    $this->state($section, $own, true),
                    $this->colour($section, $own),
                ),
            );
            $y = $bottom + self::GAP + 2;
        }

        return [$boxes, $y + 1];
    }

    private function box(PartTree $tree, Part $part, int $x, int $y, int $width, ChangeType $own): MapBox
    {
        $name = $this->kind->label($tree, $part);
        $name = $name === '' || $part->role === PageRole::Picture->value ? __("changes.kinds.{$this->kind->noun($part)}") : $name;

        return new MapBox(
            $part->id,
            $x,
            $y,
            $width,
            $this->tall($part),
            $this->cut(mb_ucfirst((string) $name), $width - 8),
            $this->state($part->id, $own, false),
            $this->colour($part->id, $own),
        );
    }

    private function tall(Part $part): int
    {
        return match (PageRole::from($part->role)) {
            PageRole::Heading => 15,
            PageRole::Divider => 6,
            PageRole::Picture => 34,
            PageRole::Links => 14 + min(20, 4 * count($part->strings('labels'))),
            PageRole::Hours => 14 + min(20, 4 * count($part->strings('days'))),
            PageRole::Text, PageRole::CallOut => 15 + min(18, 6 * intdiv(mb_strlen($part->richText()->text()), 80)),
            default => 18,
        };
    }

    private function state(string $id, ChangeType $own, bool $isSection): string
    {
        $state = match (true) {
            $this->did($own, $id) => $own->value,
            $this->did(ChangeType::Moved, $id) => 'moved',
            $this->did(ChangeType::Edited, $id) => 'edited',
            default => 'same',
        };

        return $isSection ? "{$state} is-section" : $state;
    }

    private function colour(string $id, ChangeType $own): ?int
    {
        foreach ([$own, ChangeType::Moved, ChangeType::Edited] as $type) {
            if ($this->did($type, $id)) {
                return $this->comparison->editorOf($id, $type)?->colour;
            }
        }

        return null;
    }

    private function did(ChangeType $type, string $id): bool
    {
        return isset($this->comparison->done()[$type->value][$id]);
    }

    /**
     * @param  list<MapBox>  $before
     * @param  list<MapBox>  $after
     * @return list<array{path: string, colour: int|null, name: string}>
     */
    private function arrows(array $before, array $after): array
    {
        $from = array_column($before, null, 'id');
        $arrows = [];
        foreach ($after as $box) {
            if (isset($from[$box->id]) && $this->did(ChangeType::Moved, $box->id)) {
                $start = $from[$box->id];
                [$x1, $y1] = [$start->x + $start->width, $start->y + intdiv($start->height, 2)];
                [$x2, $y2] = [$box->x + $box->width, $this->second() + $box->y + intdiv($box->height, 2)];
                $out = self::WIDTH + 4 + 7 * (count($arrows) % 5);
                $arrows[] = [
                    'path' => "M{$x1} {$y1}C{$out} {$y1} {$out} {$y2} ".($x2 + 6)." {$y2}",
                    'colour' => $box->colour,
                    'name' => $box->name,
                ];
            }
        }

        return $arrows;
    }

    private function cut(string $name, int $width): string
    {
        $most = max(1, (int) ($width / self::LETTER));

        return mb_strlen($name) <= $most ? $name : rtrim(mb_substr($name, 0, max(1, $most - 1))).'…';
    }
}
