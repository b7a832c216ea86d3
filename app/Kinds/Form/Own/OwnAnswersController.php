<?php

declare(strict_types=1);

namespace App\Kinds\Form\Own;

use App\Http\Controller;
use App\Kinds\Entry\ChangeEntry;
use App\Kinds\Entry\EntryView;
use App\Kinds\Form\AnswerDesk;
use App\Kinds\Form\Answering;
use App\Kinds\Form\AnswersRequest;
use App\Kinds\Form\TakesAnswers;
use App\Models\Proposal;
use App\Models\User;
use App\Saving\Saved;
use App\Store\HandedRoots;
use App\Store\States;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Entry\SentAnswers;

/** Answers that somebody sent without an account, changed by who has their address, when the form lets them. */
final class OwnAnswersController extends Controller
{
    public function __construct(
        private readonly AnswerDesk $desk,
        private readonly States $states,
        private readonly ChangeEntry $change,
        private readonly TakesAnswers $takes,
    ) {}

    public function show(Request $request, string $address, string $token): Response
    {
        $own = OwnAnswers::at($this->desk, $this->states, $address, $token);
        $settling = $own->toSettle();
        if ($settling !== null) {
            return $settling;
        }
        $proposal = Proposal::of(User::visitor(), $own->entry);
        $answering = (new EntryView($own->entry, $this->states, shown: $this->change->shown($own->entry->root, $proposal)))->answering;
        $half = $this->desk->half($own->form, is_string($request->query('kept')) ? $request->query('kept') : null);

        return $own->toFill([
            'closed' => $this->takes->closed($own->form, $own->live, null),
            'base' => $own->entry->root,
            'proposal' => $proposal?->id,
            'typed' => [],
            'answering' => new Answering($answering->form, $half['a'] ?? $answering->sent, [], $half['files'] ?? $answering->files),
        ]);
    }

    public function update(AnswersRequest $request, string $address, string $token, HandedRoots $handed): Response
    {
        $own = OwnAnswers::at($this->desk, $this->states, $address, $token);
        if ($request->boolean('later')) {
            return $this->desk->uncached($this->desk->later($request, $own->form, $own->entry));
        }
        // What was opened is where the change starts from, so that it undoes nobody's in the meantime.
        $base = $request->validated('base') ?? $own->entry->root;
        abort_unless($handed->has($own->entry, $base), 409);
        $proposal = $this->proposal($request, $own);
        $before = $this->change->shown($base, $proposal);
        $form = (new EntryView($own->entry, $this->states, shown: $before))->answering->form;
        $answering = $this->desk->answering($request, $own->form, $own->live, $form);
        $closed = $this->takes->closed($own->form, $own->live, null);
        if ($closed !== null || $answering->page !== null) {
            $typed = $closed === null ? $this->desk->typed($request, $own->form) : [];

            return $own->toFill([
                'closed' => $closed,
                'base' => $base,
                'proposal' => $proposal?->id,
                'typed' => $typed,
                'answering' => $answering,
            ]);
        }
        $given = $answering->answers->entry();
        // An answer that is sent as it was stays what it was, and so does one that is not asked for any more.
        $touched = SentAnswers::touched($form, $before, $answering->sent, []);
        $into = fn (PartTree $state): PartTree => PartTree::of([
            ...array_map(
                fn (Part $answer): Part => array_key_exists($answer->id, $touched) ? $answer : $state->find($answer->id) ?? $answer,
                $given->parts,
            ),
            ...array_values(array_filter($state->parts, fn (Part $answer): bool => ! $form->has($answer->id))),
        ]);
        $saved = $this->change->handle($own->entry, User::visitor(), $base, $proposal, $into, 'visitor-'.$own->entry->head);
        abort_unless($saved instanceof Saved, 409);

        return $own->toSettle() ?? $own->changed();
    }

    /** The change that the page was opened with and that waits for a yes. */
    private function proposal(AnswersRequest $request, OwnAnswers $own): ?Proposal
    {
        $id = $request->validated('proposal');

        return $id === null
            ? null
            : Proposal::query()
                ->where(['item_id' => $own->entry->id, 'user_id' => User::visitor()->id])
                ->find((int) $id);
    }
}
