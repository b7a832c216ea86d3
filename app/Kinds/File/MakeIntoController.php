<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Http\Controller;
use App\Models\Item;
use App\View\Sources\Files as AnyFiles;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Formats\Unreadable;

/** A file that becomes an item of a kind that can be written. */
final class MakeIntoController extends Controller
{
    public function __invoke(Request $request, Item $item, MakeInto $make): RedirectResponse
    {
        Gate::authorize('view', $item);
        Gate::authorize('make', $item->shelf);
        $files = $item->room(AnyFiles::class);
        abort_unless($files instanceof Files, 404);
        $kind = $this->text($request, 'kind');
        abort_unless(in_array($kind, MakeInto::kinds($files->at($item->root), $item->shelf), true), 422);
        try {
            $made = $make->handle($item, $kind);
        } catch (Unreadable $e) {
            throw ValidationException::withMessages(['file' => __('item.file_unreadable', ['reason' => $e->getMessage()])]);
        }

        return redirect()
            ->route('item', $made)
            ->with('said', trans_choice('file.made', $made->head, ['kind' => $kind, 'title' => $item->title]));
    }
}
