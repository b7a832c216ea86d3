<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\RestoreVersion;
use App\Models\Cause;
use App\Models\Item;
use App\Models\Milestone;
use App\Store\States;
use App\View\Comparison;
use App\View\Phrases;
use App\View\RestorePlan;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Kinds\Kinds;

final class RestoreController extends Controller
{
    public function show(Item $item, int $number, States $states, Phrases $phrases): View
    {
        Gate::authorize('restore', $item);
        $version = $this->version($item, $number);
        $since = new Comparison($item, $version, $this->version($item, $item->head), $states, $phrases);

        return view('restore', [
            'item' => $item,
            'version' => $version,
            'phrases' => $phrases,
            'plan' => new RestorePlan($since, Kinds::named($item->kind)),
            'milestones' => Milestone::query()->whereRelation('version', 'item_id', $item->id)->count(),
        ]);
    }

    public function store(Request $request, Item $item, int $number, RestoreVersion $restore): RedirectResponse
    {
        Gate::authorize('restore', $item);
        $sent = $request->validate(['seen' => ['required', 'integer', 'min:1']]);
        $version = $this->version($item, $number);
        $restored = $restore->handle($item, $version, $this->person($request), (int) $sent['seen']);
        if ($restored === null) {
            return redirect()->route('restore', [$item, $number])->withErrors(['seen' => __($item->root === $version->root ? 'history.same' : 'history.moved_on')]);
        }

        return redirect()->route('history', ['item' => $item, 'from' => $restored->number - 1, 'to' => $restored->number])
            ->with('restored', $restored->number)->with('said', __('item.restored', ['source' => (string) $number, 'number' => (string) $restored->number]));
    }

    /** Undoes a restore: the state before it becomes the newest again. */
    public function undo(Request $request, Item $item, int $number, RestoreVersion $restore): RedirectResponse
    {
        Gate::authorize('restore', $item);
        $version = $this->version($item, $number);
        abort_unless($version->cause === Cause::Restored && $number > 1, 404);
        $back = $restore->handle($item, $this->version($item, $number - 1), $this->person($request), $number, Cause::TookBack);
        if ($back === null) {
            return redirect()->route('history', $item)->withErrors(['seen' => __('item.written_since', ['number' => (string) $number])]);
        }

        return redirect()->route('history', ['item' => $item, 'from' => $number, 'to' => $back->number])->with('said', __('item.took_back', ['source' => (string) ($number - 1)]));
    }
}
