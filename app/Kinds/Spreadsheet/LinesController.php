<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Http\Controller;
use App\Models\Item;
use App\Store\States;
use App\View\Comparison;
use App\View\HistoryAddress;
use App\View\Phrases;
use Illuminate\Contracts\View\View;

/** Further lines of a table in its history. */
final class LinesController extends Controller
{
    public function __invoke(LinesRequest $request, Item $item, States $states, Phrases $phrases, Past $past): View
    {
        abort_unless($item->kind === 'spreadsheet', 404);
        $address = HistoryAddress::read($request, $item, fn () => $item->head);
        [$from, $to] = [$this->version($item, $address->from), $this->version($item, $address->to)];

        $authors = $address->view === 'who' ? new SheetAuthors($item, $to, $states) : null;
        $sheet = $past->sheetOf(
            new Comparison($item, $from, $to, $states, $phrases, whole: $past->needsAll($address)),
            $address,
            $authors,
        );
        $start = (int) $request->validated('start');

        return view('kinds.spreadsheet.lines', [
            'sheet' => $sheet,
            'sheetLines' => $sheet->lines($start, Past::LINES),
            'isByAuthor' => $authors !== null,
            'address' => $address,
            'start' => $start,
            'chunk' => Past::LINES,
        ]);
    }
}
