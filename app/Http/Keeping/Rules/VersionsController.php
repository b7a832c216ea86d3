<?php

declare(strict_types=1);

namespace App\Http\Keeping\Rules;

use App\Http\Controller;
use App\Keeping\KeepByRules;
use App\Models\Item;
use Illuminate\Http\RedirectResponse;

/** Versions that somebody deletes by hand. */
final class VersionsController extends Controller
{
    public function destroy(DeleteVersionsRequest $request, Item $item, KeepByRules $keep): RedirectResponse
    {
        $gone = $keep->byHand($item, $this->person($request), $request->numbers(), trim($request->string('reason')->toString()));

        return redirect()->route('keeping', $item)->with('said', trans_choice('keeping.gone_by_hand', $gone, ['count' => (string) $gone]));
    }
}
