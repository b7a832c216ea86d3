<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\RestoreVersion;
use App\Models\Item;
use App\Store\States;
use App\View\PartStory;
use App\View\Phrases;
use App\View\StretchStory;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;

/** One part's own history. */
final class PartController extends Controller
{
    public function show(Item $item, string $part, States $states, Phrases $phrases): View
    {
        Gate::authorize('draft', $item);
        $tree = $item->kind === 'spreadsheet' ? $states->tree($item->root) : null;
        $story = $tree !== null && $tree->find($part)?->role !== SpreadsheetRole::Row->value && $tree->has($part)
            ? new StretchStory($item, $tree, $part, $phrases)
            : new PartStory($item, $part, $states, $phrases);
        abort_unless($story->isThere(), 404);

        return view('part', ['item' => $item, 'part' => $part, 'story' => $story, 'mayRestore' => Gate::allows('restore', $item)]);
    }

    /** Brings the part back, with what is below it, as a version left it. */
    public function store(Request $request, Item $item, string $part, int $number, RestoreVersion $restore, States $states): RedirectResponse
    {
        Gate::authorize('restore', $item);
        $sent = $request->validate(['seen' => ['required', 'integer', 'min:1']]);
        $version = $this->version($item, $number);
        $tree = $states->tree($version->root);
        abort_unless($tree->has($part), 404);
        $keys = array_merge(...array_map(fn (Part $each) => ["added:{$each->id}", "edited:{$each->id}"], $tree->subtree($part)));
        $role = SpreadsheetRole::tryFrom($tree->get($part)->role);
        if ($item->kind === 'spreadsheet' && $role === SpreadsheetRole::Column) {
            array_push($keys, ...array_map(fn (string $row) => "edited:{$row}/{$part}", $tree->children()[$tree->parent($part)] ?? []));
        } elseif ($item->kind === 'spreadsheet' && $role === SpreadsheetRole::Tab) {
            $now = $states->tree($item->root);
            array_push($keys, ...array_map(fn (string $id) => $tree->has($id) ? "moved:{$id}" : "removed:{$id}", $now->children()[$part] ?? []));
        }
        $back = $restore->handle($item, $version, $this->person($request), (int) $sent['seen'], picked: $keys);
        if ($back === null) {
            return redirect()->route('part', [$item, $part])->withErrors(['seen' => __($item->head === (int) $sent['seen'] ? 'history.part.same' : 'history.moved_on')]);
        }

        return redirect()->route('history', ['item' => $item, 'from' => $back->number - 1, 'to' => $back->number])
            ->with('said', __('item.part_back', ['source' => (string) $number, 'number' => (string) $back->number]));
    }
}
