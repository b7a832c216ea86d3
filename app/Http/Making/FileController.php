<?php

declare(strict_types=1);

namespace App\Http\Making;

use App\Http\Controller;
use App\Http\ReceivedFile;
use App\Making\LeftOutOfFile;
use App\Making\LeftOutWords;
use App\Making\Making;
use App\Models\Item;
use App\Proposing\BringTracked;
use App\Saving\Saved;
use App\Store\States;
use App\View\Past;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Formats\Unreadable;

/** A file as the newest version of an item. */
final class FileController extends Controller
{
    public function show(Item $item, States $states): View
    {
        Gate::authorize('bringFile', $item);

        return view('file', [
            'item' => $item,
            'endings' => '.'.implode(',.', $item->room(Making::class)::ENDINGS),
            'tabs' => $item->hasTabs() ? $item->room(Past::class)->tabs($states->tree($item->root)) : [],
        ]);
    }

    public function store(BringFileRequest $request, Item $item, BringTracked $tracked): RedirectResponse|View
    {
        Gate::authorize('bringFile', $item);
        $file = ReceivedFile::of($request) ?? abort(422);
        $before = $item->head;
        try {
            $saved = $item
                ->room(Making::class)
                ->next($item, $this->person($request), $file, $request->validated(), $request->boolean('sure'));
        } catch (Unreadable $e) {
            throw ValidationException::withMessages(['file' => __('item.file_unreadable', ['reason' => $e->getMessage()])]);
        }
        if ($saved instanceof LeftOutOfFile) {
            return view('left-out', [...$file->again($request), 'left' => LeftOutWords::all($saved->left)]);
        }
        if (! $saved instanceof Saved) {
            throw ValidationException::withMessages(['file' => __('item.file_unreadable', ['reason' => __('problems.not_json')])]);
        }
        [$people, $threads] = $saved->file === null ? [0, 0] : $tracked->handle($item->refresh(), $this->person($request), $saved->file);
        if ($saved->version->number === $before && $people + $threads > 0) {
            return redirect()
                ->route($people > 0 ? 'proposals' : 'talk', $item)
                ->with('said', trim(trans_choice('proposing.brought', $people)));
        }
        if ($saved->version->number === $before) {
            return redirect()->route('item.file', $item)->withErrors(['file' => __('item.file_same')]);
        }

        return redirect()
            ->route('history', ['item' => $item, 'from' => $before, 'to' => $saved->version->number])
            ->with(
                'said',
                trim(__('item.file_in', ['number' => (string) $saved->version->number]).' '.trans_choice('proposing.brought', $people)),
            );
    }
}
