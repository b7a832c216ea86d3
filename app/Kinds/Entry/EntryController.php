<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Http\Controller;
use App\Keeping\TakeAway;
use App\Models\Item;
use App\Models\Proposal;
use App\Saving\Saved;
use App\Store\HandedRoots;
use App\Store\States;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Kinds\Entry\Answers;
use MistyAttic\Core\Kinds\Entry\SentAnswers;

/** Editing an entry, taking it away and bringing it back. */
final class EntryController extends Controller
{
    /**
     * @param  list<Problem>  $problems
     * @return array<string, string> by question
     */
    private static function said(PartTree $form, array $problems): array
    {
        $said = [];
        foreach ($problems as $problem) {
            $wrong = (string) __("form.wrong.{$problem->code}", array_map(strval(...), $problem->variables));
            $said[$problem->path] = $form->get($problem->path)->richText()->text().': '.$wrong;
        }

        return $said;
    }

    /** What was edited is merged with what others edited since the page was opened, field by field. */
    public function update(EntryRequest $request, Item $item, States $states, HandedRoots $handed, ChangeEntry $change): RedirectResponse
    {
        abort_unless($item->kind === 'entry', 404);
        $sent = $request->validated();
        $person = $this->person($request);
        // What they had proposed already was shown in it.
        $own = isset($sent['proposal'])
            ? Proposal::query()
                ->where(['item_id' => $item->id, 'user_id' => $person->id])
                ->find((int) $sent['proposal'])
            : null;
        abort_unless($handed->has($item, $sent['base']), 409);
        $shown = $change->shown($sent['base'], $own);
        $view = new EntryView($item, $states, shown: $shown);
        $form = $view->answering->form;
        $touched = SentAnswers::touched($form, $shown, $sent['a'] ?? [], $sent['shown'] ?? []);
        $answers = new Answers(self::withAllOpen($form), $touched, $view->answering->files);
        if ($answers->problems !== []) {
            return redirect()->route('item', $item)->withInput()->withErrors(self::said($form, $answers->problems));
        }
        $saved = $change->handle(
            $item,
            $person,
            $sent['base'],
            $own,
            fn (PartTree $state): PartTree => SentAnswers::into($form, $state, $touched, $answers),
            "entry-{$person->id}-{$item->head}",
        );
        abort_unless($saved instanceof Saved, 409);

        if ($saved->held !== []) {
            return redirect()->route('held', [$item, $saved->held[0]]);
        }

        return redirect()->route('item', $item)->with('said', match (true) {
            $saved->version->proposal !== null => __('agreeing.saved'),
            $saved->root === $sent['base'] => __($own === null ? 'form.unchanged' : 'agreeing.answered.withdrawn'),
            $saved->version->unkept => __('form.saved_unkept'),
            default => __('form.saved', ['number' => (string) $saved->version->number]),
        });
    }

    /** The form for somebody who works with an entry: they may leave open what had to be answered, and fill in what was skipped. */
    private static function withAllOpen(PartTree $form): PartTree
    {
        $asked = array_filter($form->parts, fn (Part $part): bool => $part->role !== 'skip_rule');

        return PartTree::of(array_map(
            fn (Part $part): Part => $part->role === 'question' ? $part->with('required', false) : $part,
            array_values($asked),
        ));
    }

    public function destroy(Request $request, Item $item, TakeAway $away): RedirectResponse
    {
        Gate::authorize('takeAway', $item);
        abort_unless($item->form !== null, 404);
        $away->handle($item, $this->person($request));

        return redirect()->route('entries', $item->form)->with('said', __('form.deleted', ['entry' => $item->title]));
    }

    public function restore(Request $request, Item $item, TakeAway $away): RedirectResponse
    {
        Gate::authorize('takeAway', $item);
        $away->back($item, $this->person($request));

        return redirect()->route('item', $item)->with('said', __('form.undeleted', ['entry' => $item->title]));
    }
}
