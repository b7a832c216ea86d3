<?php

declare(strict_types=1);

namespace App\Kinds\Form\Own;

use App\Kinds\Form\AnswerDesk;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\User;
use App\Store\States;
use App\View\Plans\HeldEditView;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Response;

/** Answers that somebody sent without an account, found by the address that they were given, and what is seen once they are changed. */
final readonly class OwnAnswers
{
    private function __construct(
        private AnswerDesk $desk,
        private States $states,
        public Item $form,
        public Item $entry,
        public Publishing $live,
    ) {}

    /** Aborts when there are none, or when the form does not let them be changed. */
    public static function at(AnswerDesk $desk, States $states, string $address, string $token): self
    {
        $form = $desk->open($address);
        $entry = $form->entries()->where('token', $token)->whereNull('deleted_at')->firstOrFail()->setRelation('form', $form);
        $live = $desk->live($form);
        abort_unless(($desk->start($live)->settings()->fields['editable'] ?? false) === true, 404);

        return new self($desk, $states, $form, $entry, $live);
    }

    /** @return Collection<int, HeldEdit> what they changed that met a change of somebody else */
    public function met(): Collection
    {
        return HeldEdit::query()->with('item', 'met', 'user')->where(['item_id' => $this->entry->id, 'user_id' => User::visitor()->id])
            ->whereNull('settled_at')->orderBy('id')->get();
    }

    /** A page that asks which of two it is to be; null when nothing met. */
    public function toSettle(): ?Response
    {
        $met = $this->met();
        $each = fn (HeldEdit $held): array => ['held' => $held, 'view' => new HeldEditView($held, User::visitor(), $this->states)];

        return $met->isEmpty() ? null : $this->desk->uncached(view('kinds.form.settle', [
            'title' => $this->live->title,
            'held' => $met->toBase()->map($each),
            'action' => route('read.mine.settle', [$this->form->address, $this->entry->token]),
        ]));
    }

    /** A page that says that they are changed. */
    public function changed(): Response
    {
        return $this->desk->uncached(view('kinds.form.filled', [
            'item' => $this->form,
            'title' => $this->live->title,
            'entry' => $this->entry,
            'thanks' => $this->desk->start($this->live)->settings()?->richText('thanks')->text() ?? '',
            'person' => null,
            'again' => route('read', $this->form->address),
            'mine' => route('read.mine', [$this->form->address, $this->entry->token]),
        ]));
    }

    /** @param array<string, mixed> $filled what is in it: see `kinds.form.fill` */
    public function toFill(array $filled): Response
    {
        return $this->desk->uncached(view('kinds.form.fill', [
            'item' => $this->form,
            'title' => $this->live->title,
            'person' => null,
            'action' => route('read.mine.send', [$this->form->address, $this->entry->token]),
            ...$filled,
        ]));
    }
}
