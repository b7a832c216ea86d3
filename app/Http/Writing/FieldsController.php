<?php

declare(strict_types=1);

namespace App\Http\Writing;

use App\Http\Controller;
use App\Making\MakeItem;
use App\Models\Item;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Saving\Unfit;
use App\Store\HandedRoots;
use App\Store\States;
use App\View\Desks\Desk;
use App\View\Desks\PartFields;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Str;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;

/** The parts of an item, written field by field: of a kind that has no desk of its own. */
final class FieldsController extends Controller
{
    public function __invoke(FieldsRequest $request, Item $item, States $states, HandedRoots $handed, SaveState $save): RedirectResponse
    {
        abort_unless($item->room(Desk::class)::VIEW === Desk::VIEW, 404);
        $sent = $request->validated();
        abort_unless($handed->has($item, $sent['base']), 409);
        $kind = Kinds::named($item->kind);
        $content = (new PartFields($kind, $states->tree($sent['base'])))->read(
            $sent['parts'] ?? [],
            $sent['gone'] ?? [],
            $sent['add'] ?? '',
            MakeItem::partId(),
        );
        $reading = $kind->read($content, Limits::for($kind));
        $saved = $reading->tree === null
            ? new Unfit($reading->problems)
            : $save->handle(
                $item,
                $this->person($request),
                new Sent($sent['base'], $reading->tree, 'fields-'.Str::random(8).'.1', keep: true),
            );

        return $saved instanceof Saved
            ? redirect()->route('item', $item)->with('said', __('fields.saved', ['number' => (string) $saved->version->number]))
            : back()->withInput()->withErrors(['parts' => __('fields.unfit')]);
    }
}
