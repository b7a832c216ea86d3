<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Http\Controller;
use App\Models\Item;
use App\Store\States;
use Illuminate\Http\JsonResponse;
use MistyAttic\Core\Calculate\Causes;
use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\History\Touched;
use MistyAttic\Core\Kinds\NumberLook;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;

/** The edits between two versions that lie behind a result that moved. */
final class CausesController extends Controller
{
    public function __invoke(CausesRequest $request, Item $item, string $row, string $column, States $states): JsonResponse
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
        $moved = array_filter($changes->changes, fn (Change $change) => $change->type !== ChangeType::Edited) !== [];

        return response()->json([
            'text' => trans_choice($moved ? 'history.cell.causes_and_rows' : 'history.cell.causes', count($causes)),
            'cells' => array_map(fn (string $cause): array => $this->told($cause, $kind, $old, $new), array_slice($causes, 0, Causes::MOST)),
        ]);
    }

    /** @return array{cell: string, name: string, was: string, is: string} */
    private function told(string $cell, SpreadsheetKind $kind, PartTree $old, PartTree $new): array
    {
        [$row, $column] = explode('/', $cell);
        $format = $new->get($column)->string('format');

        return [
            'cell' => $cell,
            'name' => $kind->label($new, $new->get($column)).' · '.$kind->label($new, $new->get($row)),
            'was' => NumberLook::show($old->find($row)->fields[$column] ?? null, $format),
            'is' => NumberLook::show($new->get($row)->fields[$column] ?? null, $format),
        ];
    }
}
