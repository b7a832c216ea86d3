<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Actions\KeepPicture;
use App\Actions\Saved;
use App\Actions\SendMail;
use App\Actions\SettleHeldEdit;
use App\Http\Controllers\Controller;
use App\Kinds\Entry\ChangeEntry;
use App\Kinds\Entry\EntryView;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\Publishing;
use App\Models\User;
use App\Store\HandedRoots;
use App\Store\States;
use App\View\HeldEditView;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Entry\SentAnswers;
use MistyAttic\Core\Merge\Choice;

/** Answering a form: at its public address without an account, or on its shelf. Works without scripts, and checks all again. */
final class AnswerController extends Controller
{
    private const MOST_BYTES = 5_242_880;

    /** Bytes of what is kept for another day. */
    private const MOST_HALF = 262_144;

    public function __construct(private readonly States $states, private readonly SendMail $mail, private readonly HandedRoots $handed, private readonly TakesAnswers $takes, private readonly SendingBounds $bounds, private readonly ChangeEntry $change) {}

    public function show(Request $request, Item $item): View
    {
        Gate::authorize('fill', $item);
        $live = $this->live($item);

        return $this->page($item, $live, $this->start($live), $this->person($request));
    }

    public function store(AnswersRequest $request, Item $item, TakeEntry $take, KeepPicture $keep): View
    {
        Gate::authorize('fill', $item);

        return $this->take($request, $item, $take, $keep, $this->person($request));
    }

    public function read(string $address, ?string $kept = null): Response
    {
        $item = $this->public($address);
        $live = $this->live($item);
        $half = $this->half($item, $kept);

        return $this->private($this->page($item, $live, $half === null ? $this->start($live) : new Answering($this->states->tree($live->version->root), $half['a'], [], $half['files']), null));
    }

    /** @return array{a: array<array-key, mixed>, files: array<string, array{string, string}>}|null what was kept for another day */
    private function half(Item $item, ?string $token): ?array
    {
        $row = $token === null ? null : DB::table('half_answers')->where(['token' => $token, 'item_id' => $item->id])->value('sent');
        $sent = is_string($row) ? json_decode($row, true) : null;

        return is_array($sent) && is_array($sent['a'] ?? null) && is_array($sent['files'] ?? null) ? ['a' => $sent['a'], 'files' => $sent['files']] : null;
    }

    public function send(AnswersRequest $request, string $address, TakeEntry $take, KeepPicture $keep): Response
    {
        $item = Item::query()->where(['address' => $address, 'kind' => 'form'])->firstOrFail();
        if (! $item->is_public || $item->live_id === null) {
            // It went offline while somebody filled it in.
            return $this->private(view('kinds.form.lost', ['typed' => $this->typed($request, $item, named: false)]))->setStatusCode(410);
        }

        return $this->private($request->boolean('later') ? $this->later($request, $item, $keep) : $this->take($request, $item, $take, $keep, null));
    }

    /** What was answered so far, kept for another day at an address of its own. */
    private function later(AnswersRequest $request, Item $item, KeepPicture $keep, ?Item $entry = null): View
    {
        $live = $this->live($item);
        abort_if($this->takes->closed($item, $live, null) !== null, 403);
        $answering = $this->answering($request, $item, $live, $keep, $entry === null ? null : (new EntryView($entry, $this->states))->answering->form);
        $sent = (string) json_encode(['a' => array_filter($answering->sent, fn (string|int $name) => $answering->form->has(str_starts_with((string) $name, 'other-') ? substr((string) $name, 6) : (string) $name), ARRAY_FILTER_USE_KEY), 'files' => array_filter($answering->files, fn (array $file) => $file[0] !== '')]);
        abort_if(strlen($sent) > self::MOST_HALF, 413);
        $token = Str::random(40);
        DB::table('half_answers')->insert(['token' => $token, 'item_id' => $item->id, 'sent' => $sent, 'kept_at' => now()->format('Y-m-d H:i:s')]);
        $address = $entry === null ? route('read', [$item->address, 'kept' => $token]) : route('read.mine', [$item->address, $entry->token, 'kept' => $token]);

        return view('kinds.form.fill', ['item' => $item, 'title' => $live->title, 'person' => null, 'closed' => null, 'typed' => [], 'action' => '', 'answering' => $answering, 'kept' => $address]);
    }

    /** A version tried out as the person answering sees it; nothing is kept. */
    public function try(TryFormRequest $request, Item $item, int $number): View
    {
        abort_unless($item->kind === 'form', 404);
        $version = $this->version($item, $number);
        $sent = $request->validated();
        $form = $this->states->tree($version->root);
        $answering = new Answering($form, $sent['a'] ?? [], array_values(array_filter($sent['seen'] ?? [], $form->has(...))), [], $sent['to'] ?? null);

        return view('kinds.form.try', ['item' => $item, 'version' => $version, 'answering' => $answering, 'action' => route('try', [$item, $number]), 'closed' => null, 'public' => false]);
    }

    private function take(AnswersRequest $request, Item $item, TakeEntry $take, KeepPicture $keep, ?User $person): View
    {
        $live = $this->live($item);
        if ($this->takes->closed($item, $live, $person) !== null) {
            // Nothing is taken, no file either; what was written is shown, so that it can be kept.
            return $this->page($item, $live, $this->start($live), $person, $this->typed($request, $item));
        }
        $answering = $this->answering($request, $item, $live, $keep);
        if ($answering->page !== null) {
            return $this->page($item, $live, $answering, $person);
        }
        if (! $this->bounds->maySend($item, (string) ($person->id ?? $request->ip()))) {
            return $this->page($item, $live, $this->start($live), $person, $this->typed($request, $item), (string) __('form.closed.many'));
        }
        $entry = $take->handle($item, $live, $person, $answering->answers->entry());
        if ($entry === null) {
            return $this->page($item, $live, $this->start($live), $person, $this->typed($request, $item));
        }
        $mine = $person === null && ($answering->settings()->fields['editable'] ?? false) === true ? route('read.mine', [$item->address, $entry->token]) : null;
        $this->confirm($item, $live, $answering, $entry, $mine);

        return view('kinds.form.filled', ['mine' => $mine, 'left' => $this->left($request, $item, $answering->answers->entry()), 'item' => $item, 'title' => $live->title, 'entry' => $entry, 'thanks' => $answering->settings()?->richText('thanks')->text() ?? '', 'person' => $person, 'again' => $person === null ? route('read', $item->address) : route('answer', $item)]);
    }

    /** Answers that somebody sent, to be changed by who has their address, when the form lets them. */
    public function mine(Request $request, string $address, string $token): Response
    {
        [$item, $entry, $live] = $this->sentBy($address, $token);
        if ($this->met($entry)->isNotEmpty()) {
            return $this->private($this->toSettle($item, $entry, $live));
        }
        $own = Proposal::of(User::visitor(), $entry);
        $view = new EntryView($entry, $this->states, shown: $this->change->shown($entry->root, $own));
        $half = $this->half($item, is_string($request->query('kept')) ? $request->query('kept') : null);

        return $this->private(view('kinds.form.fill', [
            'item' => $item, 'title' => $live->title, 'person' => null, 'closed' => $this->takes->closed($item, $live, null), 'action' => route('read.mine.send', [$address, $token]), 'base' => $entry->root, 'proposal' => $own?->id,
            'typed' => [], 'answering' => new Answering($view->answering->form, $half['a'] ?? $view->answering->sent, [], $half['files'] ?? $view->answering->files),
        ]));
    }

    public function change(AnswersRequest $request, string $address, string $token, KeepPicture $keep): Response
    {
        [$item, $entry, $live] = $this->sentBy($address, $token);
        if ($request->boolean('later')) {
            return $this->private($this->later($request, $item, $keep, $entry));
        }
        $sent = $request->validated();
        // What was opened is where the change starts from, so that it undoes nobody's in the meantime.
        $base = $sent['base'] ?? $entry->root;
        abort_unless($this->handed->has($entry, $base), 409);
        $own = isset($sent['proposal']) ? Proposal::query()->where(['item_id' => $entry->id, 'user_id' => User::visitor()->id])->find((int) $sent['proposal']) : null;
        $before = $this->change->shown($base, $own);
        $form = (new EntryView($entry, $this->states, shown: $before))->answering->form;
        $answering = $this->answering($request, $item, $live, $keep, $form);
        $closed = $this->takes->closed($item, $live, null);
        if ($closed !== null || $answering->page !== null) {
            return $this->private(view('kinds.form.fill', ['base' => $base, 'proposal' => $own?->id, 'item' => $item, 'title' => $live->title, 'person' => null, 'closed' => $closed, 'typed' => $closed === null ? [] : $this->typed($request, $item), 'action' => route('read.mine.send', [$address, $token]), 'answering' => $answering]));
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
            return $this->private($this->toSettle($item, $entry, $live));
        }

        return $this->private($this->changed($item, $entry, $live));
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

        return $this->private($this->met($entry)->isEmpty() ? $this->changed($item, $entry, $live) : $this->toSettle($item, $entry, $live));
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
        return view('kinds.form.filled', ['item' => $item, 'title' => $live->title, 'entry' => $entry, 'thanks' => $this->start($live)->settings()?->richText('thanks')->text() ?? '', 'person' => null, 'again' => route('read', $item->address), 'mine' => route('read.mine', [$item->address, $entry->token])]);
    }

    /** @return array{Item, Item, Publishing} the form, the entry, and what is live */
    private function sentBy(string $address, string $token): array
    {
        $item = $this->public($address);
        $entry = $item->entries()->where('token', $token)->whereNull('deleted_at')->firstOrFail()->setRelation('form', $item);
        $live = $this->live($item);
        abort_unless(($this->start($live)->settings()->fields['editable'] ?? false) === true, 404);

        return [$item, $entry, $live];
    }

    private function private(View $view): Response
    {
        return response($view, 200, ['Cache-Control' => 'no-store', 'Referrer-Policy' => 'no-referrer']);
    }

    /** Tells those who gave an e-mail address that their answers arrived. */
    private function confirm(Item $item, Publishing $live, Answering $answering, Item $entry, ?string $mine): void
    {
        foreach ($answering->form->parts as $question) {
            $to = $question->string('type') === 'email' ? $answering->answers->entry()->find($question->id)?->string('value') : null;
            if ($to !== null && $to !== '' && $this->bounds->mayMail($item, $to)) {
                // Little stands in it that the sender wrote: whose address it is has not asked for it.
                $this->mail->handle($item, $to, __('form.mail.subject', ['title' => $live->title]), implode("\n\n", array_filter([
                    $answering->settings()?->richText('thanks')->text(),
                    (string) __('form.mail.number', ['number' => (string) $entry->number]),
                    $mine === null ? null : (string) __('form.mail.change', ['address' => $mine]),
                ])));
            }
        }
    }

    /**
     * What somebody wrote, in words.
     *
     * @param  bool  $named  whether the questions are named; where a form is not public, nothing of it is
     * @return array<string, string> question, or its place in the list => words
     */
    private function typed(Request $request, Item $form, bool $named = true): array
    {
        $tree = $this->states->tree($form->live->version->root ?? $form->root);
        $typed = [];
        foreach ((array) $request->input('a') as $question => $value) {
            $words = [];
            foreach (is_array($value) ? $value : [$value] as $one) {
                $words[] = ! is_string($one) ? '' : ($tree->find($one) === null ? $one : ($named ? $tree->get($one)->string('label') : ''));
            }
            $words = implode(', ', array_filter($words, fn (string $word) => trim($word) !== ''));
            if ($words !== '') {
                $asked = $tree->find(str_starts_with((string) $question, 'other-') ? substr((string) $question, 6) : (string) $question)?->richText()->text() ?? '';
                $typed[$named && $asked !== '' ? $asked : (string) (count($typed) + 1)] = mb_substr($words, 0, 20_000);
            }
        }

        return $typed;
    }

    /** @return array<string, string> what was written and is no answer of the entry: to a question that was removed, or that a rule skips */
    private function left(Request $request, Item $form, PartTree $entry): array
    {
        $other = new Request([], ['a' => array_filter((array) $request->input('a'), fn (int|string $question) => ! $entry->has(str_starts_with((string) $question, 'other-') ? substr((string) $question, 6) : (string) $question), ARRAY_FILTER_USE_KEY)]);
        $other->setMethod('POST');

        return $this->typed($other, $form);
    }

    /** @param array<string, string> $typed what was written and was not taken */
    private function page(Item $item, Publishing $live, Answering $answering, ?User $person, array $typed = [], ?string $closed = null): View
    {
        return view('kinds.form.fill', [
            'item' => $item, 'title' => $live->title, 'answering' => $answering, 'person' => $person, 'typed' => $typed,
            'closed' => $closed ?? $this->takes->closed($item, $live, $person),
            'action' => $person === null ? route('read.send', $item->address) : route('answer.store', $item),
        ]);
    }

    private function answering(AnswersRequest $request, Item $item, Publishing $live, KeepPicture $keep, ?PartTree $form = null): Answering
    {
        $sent = $request->validated();
        $form ??= $this->states->tree($live->version->root);
        $files = $this->files($request, $item, $form, $keep, $sent['file'] ?? []);

        return new Answering($form, $sent['a'] ?? [], array_values(array_filter($sent['seen'] ?? [], $form->has(...))), $files, $sent['to'] ?? null);
    }

    private function start(Publishing $live): Answering
    {
        return new Answering($this->states->tree($live->version->root), [], []);
    }

    /**
     * @param  array<array-key, mixed>  $sealed  files of pages before
     * @return array<string, array{string, string}>
     */
    private function files(Request $request, Item $item, PartTree $form, KeepPicture $keep, array $sealed): array
    {
        $files = [];
        foreach ($sealed as $question => $seal) {
            try {
                $file = decrypt((string) $seal);
                if (is_array($file) && is_string($file[0] ?? null) && is_string($file[1] ?? null)) {
                    $files[(string) $question] = [$file[0], $file[1]];
                }
            } catch (DecryptException) {
                // Nobody's file.
            }
        }
        foreach ((array) $request->file('upload') as $question => $file) {
            // What no question asks for is not looked at.
            if ($form->find((string) $question)?->string('type') !== 'file') {
                continue;
            }
            $kept = $file instanceof UploadedFile && $file->isValid() && $file->getSize() <= self::MOST_BYTES && $this->bounds->mayFile($item, (string) $request->ip(), (int) $file->getSize()) ? $keep->file($item, (string) $file->getContent()) : null;
            // What can not be taken is said at its question.
            $files[(string) $question] = $kept === null ? ['', ''] : [$kept->chunk, mb_substr(mb_scrub($file->getClientOriginalName()), 0, 200)];
        }

        return $files;
    }

    private function live(Item $item): Publishing
    {
        abort_unless($item->kind === 'form', 404);

        return Publishing::query()->with('version')->find($item->live_id) ?? abort(404);
    }

    private function public(string $address): Item
    {
        return Item::query()->where(['address' => $address, 'is_public' => true, 'kind' => 'form'])->whereNotNull('live_id')->firstOrFail();
    }
}
