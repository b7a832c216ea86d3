<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use App\Http\Controller;
use App\Models\LogLine;
use App\Models\Shelf;
use App\Sharing\AskAboutEntries;
use Illuminate\Http\RedirectResponse;

/** What editors and viewers of a shelf may do, and whose yes is asked for. */
final class ShelfSettingsController extends Controller
{
    public function __invoke(ShelfSettingsRequest $request, Shelf $shelf, AskAboutEntries $askAboutEntries): RedirectResponse
    {
        $sent = $request->validated();
        $shelf->update([
            'editors_restore' => $request->boolean('editors_restore'),
            'viewers_comment' => $request->boolean('viewers_comment'),
            'viewers_propose' => $request->boolean('viewers_propose'),
            'asks' => $request->boolean('asks'),
            'drafts' => $sent['drafts'] ?? $shelf->drafts,
        ]);
        $waiting = $askAboutEntries->handle($shelf, $request->boolean('asks_entries'));
        LogLine::ofShelf('settings', $this->person($request), $shelf);
        $back = redirect()->route('people', $shelf);

        return $waiting === 0
            ? $back->with('said', __('people.set'))
            : $back->withErrors(['asks_entries' => trans_choice('agreeing.answer_first', $waiting, ['count' => (string) $waiting])]);
    }
}
