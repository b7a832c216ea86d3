<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\Controller;
use App\Models\Item;
use App\Past\MarkMilestone;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Gate;

final class MilestoneController extends Controller
{
    public function update(MilestoneRequest $request, Item $item, int $number, MarkMilestone $mark): RedirectResponse|JsonResponse
    {
        $sent = $request->validated();
        $mark->handle(
            $this->version($item, $number),
            $this->person($request),
            trim($sent['name']),
            isset($sent['note']) ? trim($sent['note']) : null,
        );

        $said = (string) __('item.marked', ['number' => (string) $number, 'name' => trim($sent['name'])]);

        return $request->expectsJson()
            ? response()->json(['said' => $said])
            : redirect()->back(fallback: route('history', $item))->with('said', $said);
    }

    public function destroy(Item $item, int $number): RedirectResponse
    {
        Gate::authorize('write', $item);
        $this->version($item, $number)->milestone?->delete();

        return redirect()->back(fallback: route('history', $item))->with('said', __('item.unmarked', ['number' => (string) $number]));
    }

    /** To the version before or after it, of those that are kept: a name was meant for the one beside it. */
    public function move(Item $item, int $number, string $way): RedirectResponse
    {
        Gate::authorize('write', $item);
        $milestone = $this->version($item, $number)->milestone ?? abort(404);
        $to = $item
            ->versions()
            ->with('milestone')
            ->where('number', $way === 'before' ? '<' : '>', $number)
            ->orderBy('number', $way === 'before' ? 'desc' : 'asc')
            ->first();
        $back = redirect()->back(fallback: route('history', $item));
        if ($to === null || $to->milestone !== null) {
            return $back->withErrors(['name' => __('item.no_room', ['name' => $milestone->name])]);
        }
        $milestone->update(['version_id' => $to->id]);

        return $back->with('said', __('item.moved_mark', ['name' => $milestone->name, 'number' => (string) $to->number]));
    }
}
