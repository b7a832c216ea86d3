<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Http\Controller;
use App\Models\Item;
use App\Models\User;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\HandedRoots;
use App\Store\States;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;

/** Laying out a report step by step. What others did meanwhile is merged. */
final class ReportController extends Controller
{
    public function __construct(private readonly States $states, private readonly ReportData $data) {}

    public function edit(ReportStepRequest $request, Item $item, HandedRoots $handed, ReportSteps $steps, SaveState $save): JsonResponse
    {
        abort_unless($item->kind === 'report', 404);
        [$sent, $person] = [$request->validated(), $this->person($request)];
        abort_unless($handed->has($item, $sent['base']), 409, __('report.moved_on'));
        [$tree, $touched] = $steps->after($item, $person, $sent);
        abort_if($tree === null, 422, __('report.not_there'));
        $saved = $save->handle($item, $person, new Sent($sent['base'], $tree, $sent['do'] === 'undo' ? Str::random(40) : $sent['client']));
        abort_unless($saved instanceof Saved, 422, __('report.not_there'));

        return response()->json([
            'root' => $saved->root,
            'before' => $sent['base'],
            'after' => $saved->sent,
            'number' => $saved->version->number,
            'held' => count($saved->held),
            'touched' => $touched,
            'html' => $this->sheet($item->refresh(), $person, $this->text($request, 'shown')),
        ]);
    }

    /** The pages again, when somebody else changed them. */
    public function show(Request $request, Item $item): JsonResponse
    {
        Gate::authorize('draft', $item);
        abort_unless($item->kind === 'report', 404);
        $html = $this->sheet($item, $this->person($request), $this->text($request, 'shown'));

        return response()->json(['root' => $item->root, 'number' => $item->head, 'html' => $html]);
    }

    private function sheet(Item $item, User $person, string $shown): string
    {
        return view('kinds.report.sheet', [
            'item' => $item,
            'report' => Desk::report($item, $this->states, $this->data->now($person)),
            'shown' => $shown,
            'mayWrite' => Gate::allows('write', $item),
            'data' => null,
        ])->render();
    }
}
