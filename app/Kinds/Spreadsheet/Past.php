<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Store\Excerpt;
use App\View\Comparison;
use App\View\HistoryAddress;
use App\View\LookedAt;
use App\View\Past as Plain;

/** A spreadsheet is looked at tab by tab, in the lines that are in sight. */
final class Past extends Plain
{
    public const VIEW = 'sheet';

    /** Lines that come with the page, and each time more are asked for. */
    public const LINES = 150;

    public function of(LookedAt $at): array
    {
        $to = $at->comparison->to;
        $authors = $at->address->view === 'who' ? new SheetAuthors($at->item, $to) : null;
        $sheet = $this->sheetOf($at->comparison, $at->address);

        return [
            'sheet' => $sheet,
            'of' => ['tab' => $sheet->tab],
            'authors' => $authors,
            'writers' => $authors?->counts($this->states->count($to->root) < Excerpt::LARGE ? $this->states->tree($to->root) : null) ?? [],
            'chunk' => self::LINES,
        ];
    }

    public function switches(HistoryAddress $address): array
    {
        return [];
    }

    public function sheetOf(Comparison $comparison, HistoryAddress $address): SheetView
    {
        return new SheetView($comparison, $this->states, $address->tab, $address->rows === 'all', $address->show === 'formulas', $address->view);
    }
}
