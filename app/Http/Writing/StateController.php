<?php

declare(strict_types=1);

namespace App\Http\Writing;

use App\Http\Controller;
use App\Making\KeepAside;
use App\Models\Item;
use App\Models\Presence;
use App\Saving\SaveState;
use App\Saving\Unfit;
use App\Saving\UnknownBase;
use App\Store\HandedRoots;
use App\Store\States;
use App\View\Desks\Desk;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Kinds\Edits;
use MistyAttic\Core\Kinds\Kinds;

/** The newest state of an item, for the editor: reading it, and saving. */
final class StateController extends Controller
{
    /** All of it, or what became of a state that the window knows. */
    public function show(Request $request, Item $item, States $states, HandedRoots $handed): JsonResponse|Response
    {
        Gate::authorize('draft', $item);
        $since = $request->query('since');
        $row = Kinds::named($item->kind)->grid()?->row;
        $known = $row !== null && is_string($since) && $handed->has($item, $since);

        if ($known) {
            $edits = Edits::in($states->compare($since, $item->root), $row)
            ?? Edits::between($states->tree($since), $states->tree($item->root), $row);

            return response()->json(['root' => $item->root, 'number' => $item->head, 'edits' => $edits]);
        }

        return response("{\"root\":\"{$item->root}\",\"number\":{$item->head},\"content\":{$states->json($item->root)}}", 200, [
            'Content-Type' => 'application/json',
        ]);
    }

    public function save(SaveRequest $request, Item $item, SaveState $save): JsonResponse
    {
        Gate::authorize('write', $item);
        $sent = $request->sent($item);
        abort_if($sent->tree === null && Kinds::named($item->kind)->grid() === null, 422);
        $saved = $save->handle($item, $this->person($request), $sent);
        if ($saved instanceof Unfit) {
            $request->fail(422, $saved->problems === [] ? [new Problem('not_json', '')] : $saved->problems);
        }
        if ($saved instanceof UnknownBase) {
            return response()->json(
                [
                    'message' => __('problems.unknown_base'),
                    'problems' => [['code' => 'unknown_base', 'path' => 'base', 'text' => __('problems.unknown_base')]],
                ],
                409,
            );
        }

        Presence::stands($item, $sent->client, $saved->root);

        return response()->json([
            'root' => $saved->root,
            'sent' => $saved->sent,
            'number' => $saved->version->number,
            ...($sent->tree === null
                ? ['edits' => Edits::between($saved->mine, $saved->tree, Kinds::named($item->kind)->grid()->row ?? '')]
                : ['content' => $saved->merged ? $this->content($saved->tree) : null]),
            'held' => count($saved->held),
            'noted' => $saved->noted,
        ]);
    }

    /** What somebody wrote and can't save here becomes an item of its own. */
    public function aside(SaveRequest $request, Item $item, KeepAside $keep): JsonResponse
    {
        Gate::authorize('draft', $item);
        Gate::authorize('make', $item->shelf);
        // An entry belongs to its form, a report to its data.
        abort_unless($item->room(Desk::class)::SENDS_STATES, 404);

        return response()->json(['address' => route('item', $keep->handle($item, $this->person($request), $request->tree($item)))], 201);
    }

    /** @return list<array{string, string, int, mixed}> */
    private function content(PartTree $tree): array
    {
        return array_map(fn (Part $part) => $part->toJson(), $tree->parts);
    }
}
