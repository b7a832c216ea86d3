<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Http\Controller;
use App\Making\StopFollowing;
use App\Models\Item;
use App\Models\Version;
use App\Publishing\PublishVersion;
use App\Restoring\RestoreTogether;
use App\Restoring\RestoreVersion;
use App\Store\States;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

/** Restores all of a version, or the lines of the plan that are ticked. */
final class RestoreController extends Controller
{
    public function __construct(private readonly PublishVersion $publish) {}

    public function __invoke(
        RestoreRequest $request,
        Item $item,
        int $number,
        TickedLines $ticked,
        TickedData $data,
        States $states,
        RestoreVersion $restore,
        RestoreTogether $together,
        StopFollowing $stop,
    ): RedirectResponse {
        $sent = $request->validated();
        $version = $this->version($item, $number);
        $picked = $ticked->of($sent, $version, $this->version($item, $item->head), $states);
        if ($request->isOfData()) {
            $wanted = $data->of($item, $version, $this->person($request), $sent, $picked);

            return $this->landed($request, $item, $version, $wanted === null ? null : $together->handle($this->person($request), $wanted));
        }
        $restoring = fn (): ?Version => $restore->handle($item, $version, $this->person($request), (int) $sent['seen'], picked: $picked);
        $stops = $request->boolean('stop') && $item->follows();
        $stops && Gate::authorize('write', $item);
        // Worked out while others may write, but for what is one with it.
        $restored = ! $stops ? $restoring() : DB::transaction(function () use ($item, $restoring, $stop): ?Version {
            $stop->handle($item);

            return $restoring();
        });
        if ($restored === null) {
            $isSame = $item->root === $version->root && $item->title === $version->title;

            return redirect()
                ->route('restore', [$item, $number])
                ->withErrors(['seen' => __($isSame ? 'history.same' : 'history.moved_on')]);
        }
        $waiting = $this->waiting($item, $restored);
        if ($waiting !== null) {
            return $waiting;
        }
        $published = $request->isLive() ? $this->publish->handle($restored->setRelation('item', $item), $this->person($request)) : null;

        return $this->seen($item, $restored, RestoredWords::of($item, $restored, $published));
    }

    /** @param list<Version>|null $made of a report and its datasets, or only these; null when something moved on meanwhile */
    private function landed(RestoreRequest $request, Item $item, Version $version, ?array $made): RedirectResponse
    {
        if ($made === null) {
            return redirect()->route('restore', [$item, $version->number])->withErrors(['seen' => __('history.moved_on')]);
        }
        $main = $made[0]->load('item');
        if ($request->boolean('publish') && $main->item_id === $item->id) {
            $this->publish->handle($main, $this->person($request));
        }

        return $this->seen($main->item, $main, RestoredWords::together($made));
    }

    private function seen(Item $item, Version $restored, string $said): RedirectResponse
    {
        return redirect()->route('history', ['item' => $item, 'from' => $restored->number - 1, 'to' => $restored->number])
            ->with('restored', $restored->number)->with('said', $said);
    }
}
