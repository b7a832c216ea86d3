<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Http\Controller;
use App\Http\Restoring\BringBackRequest;
use App\Models\Item;
use App\Restoring\RestoreVersion;
use App\Store\States;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Calculate\Causes;
use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\History\Touched;
use MistyAttic\Core\Kinds\NumberLook;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;

/** One cell of a spreadsheet: its own history, and what its result moved by. */
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

    /** The edits between two versions that lie behind a result that moved. */
    public function causes(CausesRequest $request, Item $item, string $row, string $column, States $states): JsonResponse
    {
        abort_unless($item->kind === 'spreadsheet', 404);
        $sent = $request->validated();
        $kind = new SpreadsheetKind;
        $old = $states->tree($this->version($item, (int) $sent['from'])->root);
        $new = $states->tree($this->version($item, (int) $sent['to'])->root);
        $changes = TreeCompare::of($old, $new);
        $edited = array_values(
            array_filter(array_map(strval(...), array_keys(Touched::by($changes, $kind))), fn (string $part) => str_contains($part, '/')),
        );
        $causes = Causes::of($new, "{$row}/{$column}", $edited);
        $cells = [];
        foreach (array_slice($causes, 0, Causes::MOST) as $cause) {
            [$of, $in] = explode('/', $cause);
            $format = $new->get($in)->string('format');
            $cells[] = [
                'cell' => $cause,
                'name' => $kind->label($new, $new->get($in)).' · '.$kind->label($new, $new->get($of)),
                'was' => NumberLook::show($old->find($of)->fields[$in] ?? null, $format),
                'is' => NumberLook::show($new->get($of)->fields[$in] ?? null, $format),
            ];
        }

        $moved = array_filter($changes->changes, fn (Change $change) => $change->type !== ChangeType::Edited) !== [];

        return response()->json([
            'text' => trans_choice($moved ? 'history.cell.causes_and_rows' : 'history.cell.causes', count($causes)),
            'cells' => $cells,
        ]);
    }
}
