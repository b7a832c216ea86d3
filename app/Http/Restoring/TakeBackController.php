<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Http\Controller;
use App\Models\Cause;
use App\Models\Item;
use App\Models\ShelfReturn;
use App\Models\Version;
use App\Restoring\BringShelfBack;
use App\Restoring\RestoreTogether;
use App\Restoring\RestoreVersion;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Undoes a restore: the state before it becomes the newest again. */
final class TakeBackController extends Controller
{
    public function __construct(private readonly RestoreTogether $together, private readonly BringShelfBack $shelves) {}

    public function __invoke(Request $request, Item $item, int $number, RestoreVersion $restore): RedirectResponse
    {
        Gate::authorize('restore', $item);
        $version = $this->version($item, $number);
        abort_unless($version->canBeTakenBack() && $number > 1, 404);
        $return
            = $version->with_id === null ? null : ShelfReturn::query()->where('with_id', $version->with_id)->whereNull('undone_at')->first();
        if ($return !== null) {
            return $this->ofShelf($request, $item, $number, $return);
        }
        if ($version->with_id !== null) {
            foreach (Version::query()->with('item.shelf.memberships')->where('with_id', $version->with_id)->get() as $other) {
                Gate::authorize('restore', $other->item);
            }
            $made = $this->together->undo($this->person($request), $version);

            return $made === null
                ? redirect()
                    ->route('history', $item)
                    ->withErrors(['seen' => __('item.written_since', ['number' => (string) $number])])
                : redirect()
                    ->route('history', ['item' => $item, 'from' => $number, 'to' => $number + 1])
                    ->with('said', __('report.took_back', ['count' => (string) count($made)]));
        }
        $back = $restore->handle($item, $this->version($item, $item->before($number)), $this->person($request), $number, Cause::TookBack);
        if ($back === null) {
            return redirect()->route('history', $item)->withErrors(['seen' => __('item.written_since', ['number' => (string) $number])]);
        }

        return $this->waiting($item, $back)
            ?? redirect()
                ->route('history', ['item' => $item, 'from' => $number, 'to' => $back->number])
                ->with('said', __('item.took_back', ['source' => (string) $back->source]));
    }

    /** What came back together with other items goes together with them. */
    private function ofShelf(Request $request, Item $item, int $number, ShelfReturn $return): RedirectResponse
    {
        foreach ($return->rightsToUndo() as [$right, $other]) {
            Gate::authorize($right, $other);
        }

        return $this->shelves->undo($return, $this->person($request))
            ? redirect()
                ->route('history', ['item' => $item, 'from' => $number, 'to' => $item->refresh()->head])
                ->with('said', __('day.undone'))
            : redirect()
                ->route('history', $item)
                ->withErrors(['seen' => __('day.written_since')]);
    }
}
