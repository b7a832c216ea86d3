<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Http\Controller;
use App\Models\Item;
use App\Publishing\PublishVersion;
use Illuminate\Http\RedirectResponse;

/** Whether a published report keeps the data that it was published with, or follows it. */
final class PinnedDataController extends Controller
{
    public function __invoke(PinRequest $request, Item $item, PublishVersion $publish): RedirectResponse
    {
        abort_unless($item->kind === 'report', 404);
        $item->update(['pins' => (bool) $request->validated('pins')]);
        $said = $item->pins ? 'report.pinned' : 'report.following';
        if ($item->live !== null && ($item->live->data === null) === $item->pins) {
            // Readers see it at once: what is live is published once more, with its figures otherwise.
            $said .= '_now';
            $publish->handle($item->live->version->setRelation('item', $item), $this->person($request), __($said));
        }

        return redirect()->back(fallback: route('item', $item))->with('said', __($said));
    }
}
