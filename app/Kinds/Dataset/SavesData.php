<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Models\Item;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use MistyAttic\Core\Content\PartTree;

/** What somebody does to a dataset becomes its newest version, merged with what others did since the page was opened. */
trait SavesData
{
    /** @param array<string, mixed>|null $edits instead of a whole tree */
    private function saved(Item $item, Request $request, string $base, ?PartTree $tree, ?array $edits = null): RedirectResponse
    {
        $saved = app(SaveState::class)->handle(
            $item,
            $this->person($request),
            new Sent($base, $tree, 'data-'.$this->person($request)->id.'-'.$item->head, keep: true, edits: $edits),
        );
        abort_unless($saved instanceof Saved, 422);

        if ($saved->held !== []) {
            return redirect()->route('held', [$item, $saved->held[0]]);
        }

        return redirect()
            ->route('item', $item)
            ->with(
                'said',
                $saved->root === $base ? __('form.unchanged') : __('form.saved', ['number' => (string) $saved->version->number]),
            );
    }
}
