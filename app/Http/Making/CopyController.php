<?php

declare(strict_types=1);

namespace App\Http\Making;

use App\Http\ChosenParts;
use App\Http\Controller;
use App\Making\CopyOut;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\Thread;
use App\Store\States;
use App\View\Past;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Content\InvalidContent;

final class CopyController extends Controller
{
    public function show(Request $request, Item $item, int $number, States $states): View
    {
        Gate::authorize('view', $item);
        // An entry belongs to its form.
        abort_if($item->form_id !== null, 404);
        $person = $this->person($request);
        $version = $this->version($item, $number);

        return view('copy', [
            'item' => $item,
            'version' => $version,
            'parts' => ChosenParts::of($request),
            'talk' => Gate::allows('talk', $item)
                ? Thread::query()->where('item_id', $item->id)->where('number', '<=', $number)->whereNull('version')->count()
                : 0,
            'history' => $item->sight === null && Gate::allows('draft', $item) && $number > 1
                ? $item->versions()->where('number', '<=', $number)->count()
                : 0,
            'proposed' => Gate::allows('talk', $item) ? Proposal::stood($item, $number)->count() : 0,
            'tabs' => $item->hasTabs() ? $item->room(Past::class)->tabs($states->tree($version->root)) : [],
            'shelves' => $person->shelves()->wherePivotIn('role', [Role::Editor->value, Role::Owner->value])->get(),
        ]);
    }

    public function store(CopyOutRequest $request, Item $item, int $number, CopyOut $copy): RedirectResponse
    {
        // An entry belongs to its form.
        abort_if($item->form_id !== null, 404);
        $sent = $request->validated();
        $shelf = Shelf::query()->where('key', $sent['shelf'])->firstOrFail();
        Gate::authorize('make', $shelf);
        $parts = ChosenParts::of($request);
        $parts = $parts === [] && $item->hasTabs() && isset($sent['tab']) ? [$sent['tab']] : $parts;
        try {
            $sees = $item->sight === null && Gate::allows('draft', $item);
            $made = $copy->handle(
                $this->version($item, $number),
                $shelf,
                $this->person($request),
                trim($sent['title']),
                $parts,
                $sees ? ['open' => true, 'all' => false][$sent['talk'] ?? ''] ?? null : null,
                $sees && ($sent['history'] ?? false),
                $sees && ($sent['proposals'] ?? false),
            );
        } catch (InvalidContent) {
            return redirect()->back(fallback: route('copy', [$item, $number]))->withErrors(['parts' => __('item.not_alone')])->withInput();
        }

        return redirect()
            ->route('item', $made)
            ->with('said', __('item.copied', ['kind' => $item->kind, 'number' => (string) $number, 'title' => $item->title]));
    }
}
