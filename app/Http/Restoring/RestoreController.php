<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Http\Controller;
use App\Making\StopFollowing;
use App\Models\Cause;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\Version;
use App\Publishing\PublishVersion;
use App\Restoring\RestoreTogether;
use App\Restoring\RestoreVersion;
use App\Store\States;
use App\View\Past;
use App\View\Phrases;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

final class RestoreController extends Controller
{
    public function __construct(private readonly RestoreTogether $together, private readonly PublishVersion $publish, private readonly StopFollowing $stop, private readonly Phrases $phrases) {}

    /** All of it, or the lines of the plan that are ticked. */
    public function __invoke(RestoreRequest $request, Item $item, int $number, RestoreVersion $restore, States $states, TickedLines $ticked): RedirectResponse
    {
        $sent = $request->validated();
        $live = $request->isLive();
        $version = $this->version($item, $number);
        if (($sent['data'] ?? []) !== []) {
            return $this->together($request, $item, $version, $sent, $ticked->of($sent, $version, $this->version($item, $item->head), $states));
        }
        $picked = $ticked->of($sent, $version, $this->version($item, $item->head), $states);
        $restoring = fn (): ?Version => $restore->handle($item, $version, $this->person($request), (int) $sent['seen'], picked: $picked);
        // Worked out while others may write, but for what is one with it.
        $restored = ! $this->stopsFollowing($request, $item) ? $restoring() : DB::transaction(function () use ($item, $restoring): ?Version {
            $this->stop->handle($item);

            return $restoring();
        });
        if ($restored === null) {
            return redirect()->route('restore', [$item, $number])->withErrors(['seen' => __($item->root === $version->root && $item->title === $version->title ? 'history.same' : 'history.moved_on')]);
        }

        return $this->waiting($item, $restored) ?? redirect()->route('history', ['item' => $item, 'from' => $restored->number - 1, 'to' => $restored->number])
            ->with('restored', $restored->number)->with('said', $this->said($item, $restored, $live ? $this->publish->handle($restored->setRelation('item', $item), $this->person($request)) : null));
    }

    /** Whoever restores what follows another item can let it stay with that from then on. */
    private function stopsFollowing(Request $request, Item $item): bool
    {
        $stops = $request->boolean('stop') && $item->follows();
        $stops && Gate::authorize('write', $item);

        return $stops;
    }

    /**
     * A report and its datasets, or only these: what is ticked of each.
     *
     * @param  array<string, mixed>  $sent
     * @param  list<string>|null  $picked  of the report itself
     */
    private function together(Request $request, Item $item, Version $version, array $sent, ?array $picked): RedirectResponse
    {
        $person = $this->person($request);
        $plans = $item->room(Past::class)->plan($item, $version, $person, $this->phrases)['data'] ?? abort(404);
        $wanted = ($sent['pick'] ?? []) === [] ? [] : [['item' => $item, 'version' => $version, 'seen' => (int) $sent['seen'], 'picked' => $picked]];
        foreach ($sent['data'] as $key => $ticked) {
            $plan = $plans->plans[(string) $key] ?? null;
            if ($plan === null) {
                return redirect()->route('restore', [$item, $version->number])->withErrors(['seen' => __('history.moved_on')]);
            }
            Gate::authorize('restore', $plan['item']);
            $wanted[] = ['item' => $plan['item'], 'version' => $plan['then'], 'seen' => (int) ($sent['data_seen'][$key] ?? 0), 'picked' => $plans->keys((string) $key, $ticked)];
        }
        $made = $this->together->handle($person, $wanted);
        if ($made === null) {
            return redirect()->route('restore', [$item, $version->number])->withErrors(['seen' => __('history.moved_on')]);
        }
        $main = $made[0]->load('item');
        if ($request->boolean('publish') && $main->item_id === $item->id) {
            $this->publish->handle($main, $person);
        }

        return redirect()->route('history', ['item' => $main->item, 'from' => $main->number - 1, 'to' => $main->number])
            ->with('restored', $main->number)->with('said', __('report.restored', ['what' => implode(', ', array_map(fn (Version $one) => '“'.$one->load('item')->item->title.'” '.$one->number, $made))]));
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
}
