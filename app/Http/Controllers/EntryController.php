<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Saved;
use App\Actions\SaveState;
use App\Actions\Sent;
use App\Models\Item;
use App\Store\HandedRoots;
use App\Store\States;
use App\View\EntryView;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Kinds\Entry\Answers;

/** Editing an entry, taking it away and bringing it back. */
final class EntryController extends Controller
{
    /** What was edited is merged with what others edited since the page was opened, field by field. */
    public function update(Request $request, Item $item, States $states, HandedRoots $handed, SaveState $save): RedirectResponse
    {
        Gate::authorize('write', $item);
        abort_unless($item->kind === 'entry', 404);
        $sent = $request->validate(['base' => ['required', 'string', 'size:40'], 'a' => ['nullable', 'array', 'max:500']]);
        $view = new EntryView($item, $states);
        $form = $view->answering->form;
        // Somebody who works with an entry may leave open what had to be answered, and fill in what was skipped.
        $open = PartTree::of(array_values(array_filter(array_map(fn (Part $part) => $part->role === 'question' ? $part->with('required', false) : $part, $form->parts), fn (Part $part) => $part->role !== 'skip_rule')));
        $answers = new Answers($open, $sent['a'] ?? [], $view->answering->files);
        if ($answers->problems !== []) {
            return redirect()->route('item', $item)->withInput()->withErrors(array_combine(
                array_map(fn (Problem $problem) => $problem->path, $answers->problems),
                array_map(fn (Problem $problem) => $form->get($problem->path)->richText()->text().': '.__("form.wrong.{$problem->code}", array_map(strval(...), $problem->variables)), $answers->problems),
            ));
        }
        abort_unless($handed->has($item, $sent['base']), 409);
        $base = $states->tree($sent['base']);
        // The words that somebody chose stay as they were, and answers to questions that are gone.
        $kept = array_map(fn (Part $answer) => ($old = $base->find($answer->id)) !== null && $old->without('label')->without('said')->sameFields($answer->without('label')->without('said')) ? $old : $answer, $answers->entry()->parts);
        $gone = array_filter($base->parts, fn (Part $answer) => ! $form->has($answer->id));
        $saved = $save->handle($item, $this->person($request), new Sent($sent['base'], PartTree::of([...$kept, ...array_values($gone)]), 'entry-'.$this->person($request)->id.'-'.$item->head, keep: true));
        abort_unless($saved instanceof Saved, 409);

        if ($saved->held !== []) {
            return redirect()->route('held', [$item, $saved->held[0]]);
        }

        return redirect()->route('item', $item)->with('said', match (true) {
            $saved->root === $sent['base'] => __('form.unchanged'),
            $saved->version->publishings()->waiting()->exists() => __('agreeing.saved', ['number' => (string) $saved->version->number, 'live' => (string) $item->refresh()->live?->version->number]),
            $saved->version->unkept => __('form.saved_unkept'),
            default => __('form.saved', ['number' => (string) $saved->version->number]),
        });
    }

    public function destroy(Request $request, Item $item): RedirectResponse
    {
        Gate::authorize('takeAway', $item);
        abort_unless($item->form !== null, 404);
        $item->update(['deleted_at' => now(), 'deleted_by' => $this->person($request)->id]);

        return redirect()->route('entries', $item->form)->with('said', __('form.deleted', ['entry' => $item->title]));
    }

    public function restore(Item $item): RedirectResponse
    {
        Gate::authorize('takeAway', $item);
        $item->update(['deleted_at' => null, 'deleted_by' => null]);

        return redirect()->route('item', $item)->with('said', __('form.undeleted', ['entry' => $item->title]));
    }
}
