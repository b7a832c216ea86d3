<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Http\Controller;
use App\Http\HiddenFields;
use App\Models\Item;
use App\Models\Version;
use App\Restoring\RestoreVersion;
use App\Store\States;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Response;

/** How an item will be, if what is ticked in the plan of a restore comes back. Nothing is written. */
final class RestoreSeenController extends Controller
{
    public function __invoke(
        RestoreRequest $request,
        Item $item,
        int $number,
        HowItWillBe $page,
        RestoreVersion $restore,
        TickedLines $ticked,
    ): Response|RedirectResponse {
        $sent = $request->validated();
        if ($item->head !== (int) $sent['seen']) {
            return redirect()->route('restore', [$item, $number])->withErrors(['seen' => __('history.moved_on')]);
        }
        [$version, $newest, $person] = [$this->version($item, $number), $this->version($item, $item->head), $this->person($request)];
        $becomes = fn (States $states): Version => $restore->becomes(
            $states,
            $item,
            $version,
            $person,
            $ticked->of($sent, $version, $newest, $states),
        );

        return $page->show($request, $item, $person, $newest, $becomes, [
            'said' => (string) __('history.will_be_restored', [
                'now' => (string) $newest->number,
                'next' => (string) ($newest->number + 1),
                'number' => (string) $number,
            ]),
            'note' => ($sent['data'] ?? []) === [] ? null : (string) __('history.data_not_shown'),
            'plan' => route('restore', [$item, $number]),
            'seen' => route('restore.seen', [$item, $number], false),
            'store' => route('restore.store', [$item, $number]),
            'do' => (string) __('history.restore_so'),
            'hidden' => HiddenFields::of(array_intersect_key($sent, array_flip(['seen', 'lines', 'pick', 'data_seen', 'data', 'stop']))),
        ]) ?? abort(404);
    }
}
