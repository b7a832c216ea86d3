<?php

declare(strict_types=1);

namespace App\Http\Keeping;

use App\Http\Controller;
use App\Keeping\MoveItem;
use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use App\View\Keeping\MovePlan;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Another shelf for an item. */
final class MoveController extends Controller
{
    public function show(Request $request, Item $item): View
    {
        Gate::authorize('delete', $item);
        $shelves = $this->person($request)
            ->shelves()
            ->with('memberships.user')
            ->whereNull('archived_at')
            ->wherePivotIn('role', [Role::Editor->value, Role::Owner->value])
            ->where('shelves.id', '!=', $item->shelf_id)
            ->get();
        $to = $shelves->firstWhere('key', $this->text($request, 'to'));

        return view('move', ['item' => $item, 'shelves' => $shelves, 'plan' => $to === null ? null : new MovePlan($item, $to)]);
    }

    public function store(MoveRequest $request, Item $item, MoveItem $move): RedirectResponse
    {
        $to = Shelf::query()->where('key', $request->validated('to'))->firstOrFail();
        Gate::authorize('make', $to);
        abort_unless(
            $item->live_id === null || $to->letsPublish($this->person($request)),
            403,
            __('rights.needs_publisher', ['shelf' => $to->name]),
        );
        $title = $item->title;
        $move->handle($item, $this->person($request), $to);

        return redirect()
            ->route('item', $item)
            ->with(
                'said',
                __($item->title === $title ? 'keeping.moved' : 'keeping.moved_as', [
                    'title' => $title,
                    'now' => $item->title,
                    'shelf' => $to->name,
                ]),
            );
    }
}
