<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Http\Controller;
use App\Kinds\Entry\ChangeEntry;
use App\Kinds\Entry\EntryView;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\Publishing;
use App\Models\User;
use App\Saving\Saved;
use App\Saving\SettleHeldEdit;
use App\Store\HandedRoots;
use App\Store\States;
use App\View\Plans\HeldEditView;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Collection;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Entry\SentAnswers;
use MistyAttic\Core\Merge\Choice;

/** Answers that somebody sent without an account, changed by who has their address, when the form lets them. */
final class OwnAnswersController extends Controller
{
    public function __construct(private readonly AnswerDesk $desk, private readonly States $states, private readonly HandedRoots $handed, private readonly ChangeEntry $change, private readonly TakesAnswers $takes) {}

    /** Answers that somebody sent, to be changed by who has their address, when the form lets them. */
    public function mine(Request $request, string $address, string $token): Response
    {
        [$item, $entry, $live] = $this->sentBy($address, $token);
        if ($this->met($entry)->isNotEmpty()) {
            return $this->desk->uncached($this->toSettle($item, $entry, $live));
        }
        $own = Proposal::of(User::visitor(), $entry);
        $view = new EntryView($entry, $this->states, shown: $this->change->shown($entry->root, $own));
        $half = $this->desk->half($item, is_string($request->query('kept')) ? $request->query('kept') : null);

        return $this->desk->uncached(view('kinds.form.fill', [
            'item' => $item, 'title' => $live->title, 'person' => null, 'closed' => $this->takes->closed($item, $live, null), 'action' => route('read.mine.send', [$address, $token]), 'base' => $entry->root, 'proposal' => $own?->id,
            'typed' => [], 'answering' => new Answering($view->answering->form, $half['a'] ?? $view->answering->sent, [], $half['files'] ?? $view->answering->files),
        ]));
    }

    public function change(AnswersRequest $request, string $address, string $token): Response
    {
        [$item, $entry, $live] = $this->sentBy($address, $token);
        if ($request->boolean('later')) {
            return $this->desk->uncached($this->desk->later($request, $item, $entry));
        }
        $sent = $request->validated();
        // What was opened is where the change starts from, so that it undoes nobody's in the meantime.
        $base = $sent['base'] ?? $entry->root;
        abort_unless($this->handed->has($entry, $base), 409);
        $own = isset($sent['proposal']) ? Proposal::query()->where(['item_id' => $entry->id, 'user_id' => User::visitor()->id])->find((int) $sent['proposal']) : null;
        $before = $this->change->shown($base, $own);
        $form = (new EntryView($entry, $this->states, shown: $before))->answering->form;
        $answering = $this->desk->answering($request, $item, $live, $form);
        $closed = $this->takes->closed($item, $live, null);
        if ($closed !== null || $answering->page !== null) {
            return $this->desk->uncached(view('kinds.form.fill', ['base' => $base, 'proposal' => $own?->id, 'item' => $item, 'title' => $live->title, 'person' => null, 'closed' => $closed, 'typed' => $closed === null ? [] : $this->desk->typed($request, $item), 'action' => route('read.mine.send', [$address, $token]), 'answering' => $answering]));
        }
        $given = $answering->answers->entry();
        // An answer that is sent as it was stays what it was, and so does one that is not asked for any more.
        $touched = SentAnswers::touched($form, $before, $answering->sent, []);
        $into = fn (PartTree $state): PartTree => PartTree::of([
            ...array_map(fn (Part $answer) => array_key_exists($answer->id, $touched) ? $answer : $state->find($answer->id) ?? $answer, $given->parts),
            ...array_values(array_filter($state->parts, fn (Part $answer) => ! $form->has($answer->id))),
        ]);
        $saved = $this->change->handle($entry, User::visitor(), $base, $own, $into, 'visitor-'.$entry->head);
        abort_unless($saved instanceof Saved, 409);
        if ($this->met($entry)->isNotEmpty()) {
            return $this->desk->uncached($this->toSettle($item, $entry, $live));
        }

        return $this->desk->uncached($this->changed($item, $entry, $live));
    }

    /** Who sent the answers says of each that somebody else changed, too, which of the two it is to be. */
    public function settle(SettleAnswersRequest $request, string $address, string $token, SettleHeldEdit $settle): Response
    {
        [$item, $entry, $live] = $this->sentBy($address, $token);
        $choices = $request->validated('choice') ?? [];
        foreach ($this->met($entry) as $held) {
            if (isset($choices[$held->id])) {
                $settle->handle($held->setRelation('item', $entry->refresh()), User::visitor(), Choice::from($choices[$held->id]));
            }
        }

        return $this->desk->uncached($this->met($entry)->isEmpty() ? $this->changed($item, $entry, $live) : $this->toSettle($item, $entry, $live));
    }

    /** @return Collection<int, HeldEdit> what a visitor changed that met a change of somebody else */
    private function met(Item $entry): Collection
    {
        return HeldEdit::query()->with('item', 'met', 'user')->where(['item_id' => $entry->id, 'user_id' => User::visitor()->id])->whereNull('settled_at')->orderBy('id')->get();
    }

    private function toSettle(Item $item, Item $entry, Publishing $live): View
    {
        $held = $this->met($entry)->map(fn (HeldEdit $each) => ['held' => $each, 'view' => new HeldEditView($each, User::visitor(), $this->states)]);

        return view('kinds.form.settle', ['title' => $live->title, 'held' => $held, 'action' => route('read.mine.settle', [$item->address, $entry->token])]);
    }

    private function changed(Item $item, Item $entry, Publishing $live): View
    {
        return view('kinds.form.filled', ['item' => $item, 'title' => $live->title, 'entry' => $entry, 'thanks' => $this->desk->start($live)->settings()?->richText('thanks')->text() ?? '', 'person' => null, 'again' => route('read', $item->address), 'mine' => route('read.mine', [$item->address, $entry->token])]);
    }

    /** @return array{Item, Item, Publishing} the form, the entry, and what is live */
    private function sentBy(string $address, string $token): array
    {
        $item = $this->desk->open($address);
        $entry = $item->entries()->where('token', $token)->whereNull('deleted_at')->firstOrFail()->setRelation('form', $item);
        $live = $this->desk->live($item);
        abort_unless(($this->desk->start($live)->settings()->fields['editable'] ?? false) === true, 404);

        return [$item, $entry, $live];
    }
}
