<?php

declare(strict_types=1);

namespace App\Http\Publishing;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\Version;
use App\Publishing\AnswerWish;
use App\View\Readers\PublishingPage;
use App\View\Settings\PublishingWords;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** A wish to publish a version, and the answer to it. */
final class WishController extends Controller
{
    public function show(Request $request, Item $item, Publishing $publishing, PublishingPage $page): View
    {
        Gate::authorize('seeWish', [$item, $publishing]);
        $person = $this->person($request);
        if ($publishing->user_id === $person->id && $publishing->decided_at !== null && $publishing->told_at === null) {
            $publishing->update(['told_at' => now()]);
        }
        $version = Version::query()->with('user', 'milestone.user')->findOrFail($publishing->version_id)->setRelation('item', $item);

        return view('publish', [
            ...$page->of($item, $version, $person),
            'wish' => $publishing->load('user', 'decider', 'ender')->setRelation('version', $version),
            'steps' => PublishingWords::steps($publishing->setRelation('item', $item)),
            'mayPublish' => Gate::allows('answer', [$item, $publishing]),
        ]);
    }

    public function update(AnswerWishRequest $request, Item $item, Publishing $publishing, AnswerWish $answer): RedirectResponse
    {
        $state = PublishingState::from($request->validated('answer'));
        $note = $request->note();
        $asker = $publishing->user->firstName();
        $refused = fn (string $field, string $why): RedirectResponse => redirect()->route('wish', [$item, $publishing])
            ->withErrors([$field => __($why, ['asker' => $asker])]);
        if ($state === PublishingState::Refused && $note === null) {
            return $refused('note', 'publishing.refuse_needs_note');
        }
        $number = $publishing->version->number;
        if (! $answer->handle($publishing, $this->person($request), $state, $note)) {
            return $refused('answer', 'publishing.too_late');
        }

        return redirect(PublishingPage::after($item, $number))
            ->with('said', __("publishing.answered.{$state->value}", ['number' => (string) $number, 'asker' => $asker]));
    }
}
