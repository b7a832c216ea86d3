<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Http\Controller;
use App\Http\Restoring\BringBackRequest;
use App\Models\Item;
use App\Restoring\RestoreVersion;
use App\Store\States;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Gate;

/** One cell of a spreadsheet: its own history, and any of it brought back. */
final class CellController extends Controller
{
    public function show(Item $item, string $row, string $column, States $states): View
    {
        Gate::authorize('draft', $item);
        abort_unless($item->kind === 'spreadsheet', 404);
        $story = new CellStory($item, $row, $column, $states);
        abort_unless($story->isThere(), 404);

        return view('kinds.spreadsheet.cell', [
            'item' => $item,
            'row' => $row,
            'column' => $column,
            'story' => $story,
            'mayRestore' => Gate::allows('restore', $item),
        ]);
    }

    /** Brings the cell back as a version left it; its row, too, if that is gone. */
    public function store(
        BringBackRequest $request,
        Item $item,
        string $row,
        string $column,
        int $number,
        RestoreVersion $restore,
    ): RedirectResponse {
        abort_unless($item->kind === 'spreadsheet', 404);
        $seen = $request->seen();
        $back = $restore->handle(
            $item,
            $this->version($item, $number),
            $this->person($request),
            $seen,
            picked: ["edited:{$row}/{$column}", "added:{$row}", "added:{$column}"],
        );
        if ($back === null) {
            return redirect()
                ->route('cell', [$item, $row, $column])
                ->withErrors(['seen' => __($item->head === $seen ? 'history.cell.same' : 'history.moved_on')]);
        }

        return redirect()->route('history', ['item' => $item, 'from' => $back->number - 1, 'to' => $back->number])
            ->with('said', __('history.cell.back', ['source' => (string) $number, 'number' => (string) $back->number]));
    }
}
