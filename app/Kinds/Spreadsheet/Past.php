<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Models\Item;
use App\Store\Excerpt;
use App\View\Comparison;
use App\View\HistoryAddress;
use App\View\LookedAt;
use App\View\Past as Plain;
use App\View\Phrases;
use App\View\Story;
use Closure;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;

/** A spreadsheet is looked at tab by tab, in the lines that are in sight. */
final class Past extends Plain
{
    public const VIEW = 'kinds.spreadsheet.past';

    /** Lines that come with the page, and each time more are asked for. */
    public const LINES = 150;

    public function of(LookedAt $at): array
    {
        $to = $at->comparison->to;
        $authors = $at->address->view === 'who' ? new SheetAuthors($at->item, $to, $this->states) : null;
        $sheet = $this->sheetOf($at->comparison, $at->address, $authors);

        return [
            'sheet' => $sheet,
            'address' => $at->address->showing($sheet->tab),
            'of' => ['tab' => $sheet->tab],
            'sheetLines' => $sheet->lines(0, self::LINES),
            'isByAuthor' => $authors !== null,
            'writers' => $authors?->counts(Excerpt::isOf($this->states, $to->root) ? null : $this->states->tree($to->root)) ?? [],
            'chunk' => self::LINES,
        ];
    }

    public function switches(LookedAt $at): array
    {
        return [];
    }

    /** A column comes back with its cells, and a tab with its rows as they were. */
    public function back(PartTree $then, Closure $now, string $part): array
    {
        return [
            ...parent::back($then, $now, $part),
            ...match (SpreadsheetRole::tryFrom($then->get($part)->role)) {
                SpreadsheetRole::Column => array_map(
                    fn (string $row) => "edited:{$row}/{$part}",
                    $then->children()[$then->parent($part)] ?? [],
                ),
                SpreadsheetRole::Tab => array_map(
                    fn (string $id) => $then->has($id) ? "moved:{$id}" : "removed:{$id}",
                    $now()->children()[$part] ?? [],
                ),
                default => [],
            },
        ];
    }

    public function tabs(PartTree $tree): array
    {
        return (new CellPlaces($tree))->tabs;
    }

    /** A column or a tab holds nothing itself: what happened in it is told. */
    public function story(Item $item, string $part, Phrases $phrases): Story
    {
        $tree = $this->states->tree($item->root);
        $role = $tree->find($part)?->role;

        return $role === null || $role === SpreadsheetRole::Row->value
            ? parent::story($item, $part, $phrases)
            : (new StretchStory($item, $tree, $part, $phrases))->story;
    }

    public function sheetOf(Comparison $comparison, HistoryAddress $address, ?SheetAuthors $authors = null): SheetView
    {
        return new SheetView($comparison, $this->states, $address, $authors);
    }
}
