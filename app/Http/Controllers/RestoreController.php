<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\PublishVersion;
use App\Actions\RestoreVersion;
use App\Models\Cause;
use App\Models\Item;
use App\Models\Milestone;
use App\Models\Publishing;
use App\Models\Version;
use App\Store\States;
use App\View\Comparison;
use App\View\Entry;
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
        $since = new Comparison($item, $version, $this->version($item, $item->head), $states, $phrases, apart: true, whole: true);

        return view('restore', [
            'item' => $item,
            'version' => $version,
            'phrases' => $phrases,
            'live' => $item->isPublishable() ? $item->live : null,
            'plan' => new RestorePlan($since, Kinds::named($item->kind)),
            'milestones' => Milestone::query()->whereRelation('version', 'item_id', $item->id)->count(),
        ]);
    }

    /** All of it, or the lines of the plan that are ticked. */
    public function store(Request $request, Item $item, int $number, RestoreVersion $restore, States $states, Phrases $phrases, PublishVersion $publish): RedirectResponse
    {
        Gate::authorize('restore', $item);
        $sent = $request->validate([
            'seen' => ['required', 'integer', 'min:1'],
            'lines' => ['sometimes', 'integer', 'min:1'],
            'pick' => ['required_with:lines', 'array', 'min:1'],
            'pick.*' => ['integer', 'min:0'],
            'publish' => ['sometimes', 'boolean'],
        ], ['pick' => __('history.nothing_ticked')]);
        $live = $request->boolean('publish');
        $live && Gate::authorize('publishNow', $item);
        $version = $this->version($item, $number);
        $all = ! isset($sent['lines']) || count(array_unique($sent['pick'])) >= (int) $sent['lines'];
        $picked = $all || $item->head !== (int) $sent['seen'] ? null : $this->keys(new Comparison($item, $version, $this->version($item, $item->head), $states, $phrases, apart: true, whole: true), $sent['pick']);
        $restored = $restore->handle($item, $version, $this->person($request), (int) $sent['seen'], picked: $picked);
        if ($restored === null) {
            return redirect()->route('restore', [$item, $number])->withErrors(['seen' => __($item->root === $version->root ? 'history.same' : 'history.moved_on')]);
        }

        return redirect()->route('history', ['item' => $item, 'from' => $restored->number - 1, 'to' => $restored->number])
            ->with('restored', $restored->number)->with('said', $this->said($item, $restored, $live ? $publish->handle($restored->setRelation('item', $item), $this->person($request)) : null));
    }

    /** What came of it, and whether readers see it. */
    private function said(Item $item, Version $restored, ?Publishing $published): string
    {
        $values = ['source' => (string) $restored->source, 'number' => (string) $restored->number];

        return match (true) {
            $published !== null => __('publishing.restored_live', $values),
            $item->isPublishable() && $item->live !== null => __($restored->cause === Cause::BroughtBack ? 'publishing.brought_back_draft' : 'publishing.restored_draft', [...$values, 'live' => (string) $item->live->version->number]),
            default => __($restored->cause === Cause::BroughtBack ? 'item.brought_back' : 'item.restored', $values),
        };
    }

    /**
     * @param  array<mixed>  $picked  positions of lines of the plan
     * @return list<string>
     */
    private function keys(Comparison $since, array $picked): array
    {
        $entries = array_intersect_key($since->entries, array_flip(array_map(intval(...), $picked)));

        return array_merge(...array_map(fn (Entry $entry) => $entry->keysBack(), array_values($entries)), ...[[]]);
    }

    /** Undoes a restore: the state before it becomes the newest again. */
    public function undo(Request $request, Item $item, int $number, RestoreVersion $restore): RedirectResponse
    {
        Gate::authorize('restore', $item);
        $version = $this->version($item, $number);
        abort_unless($version->cause->canBeTakenBack() && $number > 1, 404);
        $back = $restore->handle($item, $this->version($item, $number - 1), $this->person($request), $number, Cause::TookBack);
        if ($back === null) {
            return redirect()->route('history', $item)->withErrors(['seen' => __('item.written_since', ['number' => (string) $number])]);
        }

        return redirect()->route('history', ['item' => $item, 'from' => $number, 'to' => $back->number])->with('said', __('item.took_back', ['source' => (string) ($number - 1)]));
    }
}
