<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\KeepPicture;
use App\Actions\Saved;
use App\Actions\SaveState;
use App\Actions\SendMail;
use App\Actions\Sent;
use App\Actions\SettleHeldEdit;
use App\Actions\TakeEntry;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\User;
use App\Store\HandedRoots;
use App\Store\States;
use App\View\Answering;
use App\View\EntryView;
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
use MistyAttic\Core\Kinds\Entry\AnswerText;
use MistyAttic\Core\Kinds\Form\Opening;
use MistyAttic\Core\Merge\Choice;

/** Answering a form: at its public address without an account, or on its shelf. Works without scripts, and checks all again. */
final class AnswerController extends Controller
{
    private const MOST_BYTES = 5_242_880;

    /** Bytes of what is kept for another day. */
    private const MOST_HALF = 262_144;

    public function __construct(private readonly States $states, private readonly SendMail $mail, private readonly HandedRoots $handed) {}

    public function show(Request $request, Item $item): View
    {
        Gate::authorize('fill', $item);
        $live = $this->live($item);

        return $this->page($item, $live, $this->start($live), $this->person($request));
    }

    public function store(Request $request, Item $item, TakeEntry $take, KeepPicture $keep): View
    {
        Gate::authorize('fill', $item);

        return $this->take($request, $item, $take, $keep, $this->person($request));
    }

    public function read(string $address, ?string $kept = null): Response
    {
        $item = $this->public($address);
        $live = $this->live($item);
        $row = $kept === null ? null : DB::table('half_answers')->where(['token' => $kept, 'item_id' => $item->id])->value('sent');
        $sent = is_string($row) ? json_decode($row, true) : null;

        return $this->private($this->page($item, $live, is_array($sent) ? new Answering($this->states->tree($live->version->root), $sent, []) : $this->start($live), null));
    }

    public function send(Request $request, string $address, TakeEntry $take, KeepPicture $keep): Response
    {
        $item = $this->public($address);

        return $this->private($request->boolean('later') ? $this->later($request, $item, $keep) : $this->take($request, $item, $take, $keep, null));
    }

    /** What was answered so far, kept for another day at an address of its own. */
    private function later(Request $request, Item $item, KeepPicture $keep): View
    {
        $live = $this->live($item);
        abort_if($this->closed($item, $live, null) !== null, 403);
        $answering = $this->answering($request, $item, $live, $keep);
        $sent = (string) json_encode(array_filter($answering->sent, fn (string|int $name) => $answering->form->has(str_starts_with((string) $name, 'other-') ? substr((string) $name, 6) : (string) $name), ARRAY_FILTER_USE_KEY));
        abort_if(strlen($sent) > self::MOST_HALF, 413);
        $token = Str::random(40);
        DB::table('half_answers')->insert(['token' => $token, 'item_id' => $item->id, 'sent' => $sent, 'kept_at' => now()->format('Y-m-d H:i:s')]);

        return view('answer', ['item' => $item, 'title' => $live->title, 'person' => null, 'closed' => null, 'action' => '', 'answering' => $answering, 'kept' => route('read', [$item->address, 'kept' => $token])]);
    }

    /** A version tried out as the person answering sees it; nothing is kept. */
    public function try(Request $request, Item $item, int $number): View
    {
        Gate::authorize('view', $item);
        abort_unless($item->kind === 'form', 404);
        $version = $this->version($item, $number);
        $sent = $request->validate(['a' => ['nullable', 'array', 'max:500'], 'seen' => ['nullable', 'array', 'max:500'], 'seen.*' => ['string', 'max:24'], 'to' => ['nullable', 'string', 'max:24']]);
        $form = $this->states->tree($version->root);
        $answering = new Answering($form, $sent['a'] ?? [], array_values(array_filter($sent['seen'] ?? [], $form->has(...))), [], $sent['to'] ?? null);

        return view('try', ['item' => $item, 'version' => $version, 'answering' => $answering, 'action' => route('try', [$item, $number]), 'closed' => null, 'public' => false]);
    }

    private function take(Request $request, Item $item, TakeEntry $take, KeepPicture $keep, ?User $person): View
    {
        $live = $this->live($item);
        if ($this->closed($item, $live, $person) !== null) {
            // Nothing is taken, no file either.
            return $this->page($item, $live, $this->start($live), $person);
        }
        $answering = $this->answering($request, $item, $live, $keep);
        if ($answering->page !== null) {
            return $this->page($item, $live, $answering, $person);
        }
        $entry = $take->handle($item, $live, $person, $answering->answers->entry());
        $mine = $person === null && ($answering->settings()->fields['editable'] ?? false) === true ? route('read.mine', [$item->address, $entry->token]) : null;
        $this->confirm($item, $live, $answering, $entry, $mine);

        return view('answered', ['mine' => $mine, 'item' => $item, 'title' => $live->title, 'entry' => $entry, 'thanks' => $answering->settings()?->richText('thanks')->text() ?? '', 'person' => $person, 'again' => $person === null ? route('read', $item->address) : route('answer', $item)]);
    }

    /** Answers that somebody sent, to be changed by who has their address, when the form lets them. */
    public function mine(string $address, string $token): Response
    {
        [$item, $entry, $live] = $this->sentBy($address, $token);
        if ($this->waiting($entry)->isNotEmpty()) {
            return $this->private($this->toSettle($item, $entry, $live));
        }
        $view = new EntryView($entry, $this->states);

        return $this->private(view('answer', [
            'item' => $item, 'title' => $live->title, 'person' => null, 'closed' => $this->closed($item, $live, null), 'action' => route('read.mine.send', [$address, $token]), 'base' => $entry->root,
            'answering' => new Answering($this->states->tree($live->version->root), $view->answering->sent, [], $view->answering->files),
        ]));
    }

    public function change(Request $request, string $address, string $token, SaveState $save, KeepPicture $keep): Response
    {
        [$item, $entry, $live] = $this->sentBy($address, $token);
        $answering = $this->answering($request, $item, $live, $keep);
        // What was opened is where the change starts from, so that it undoes nobody's in the meantime.
        $base = $request->validate(['base' => ['nullable', 'string', 'regex:/^[0-9a-f]{40}$/']])['base'] ?? $entry->root;
        $closed = $this->closed($item, $live, null);
        if ($closed !== null || $answering->page !== null) {
            return $this->private(view('answer', ['base' => $base, 'item' => $item, 'title' => $live->title, 'person' => null, 'closed' => $closed, 'action' => route('read.mine.send', [$address, $token]), 'answering' => $answering]));
        }
        abort_unless($this->handed->has($entry, $base), 409);
        $form = $this->states->tree($live->version->root);
        $gone = array_filter($this->states->tree($base)->parts, fn (Part $answer) => ! $form->has($answer->id));
        $saved = $save->handle($entry, User::visitor(), new Sent($base, PartTree::of([...$answering->answers->entry()->parts, ...array_values($gone)]), 'visitor-'.$entry->head, keep: true));
        abort_unless($saved instanceof Saved, 409);
        if ($this->waiting($entry)->isNotEmpty()) {
            return $this->private($this->toSettle($item, $entry, $live));
        }

        return $this->private($this->changed($item, $entry, $live));
    }

    /** Who sent the answers says of each that somebody else changed, too, which of the two it is to be. */
    public function settle(Request $request, string $address, string $token, SettleHeldEdit $settle): Response
    {
        [$item, $entry, $live] = $this->sentBy($address, $token);
        $choices = $request->validate(['choice' => ['nullable', 'array', 'max:500'], 'choice.*' => ['in:mine,theirs']])['choice'] ?? [];
        foreach ($this->waiting($entry) as $held) {
            if (isset($choices[$held->id])) {
                $settle->handle($held->setRelation('item', $entry->refresh()), User::visitor(), Choice::from($choices[$held->id]));
            }
        }

        return $this->private($this->waiting($entry)->isEmpty() ? $this->changed($item, $entry, $live) : $this->toSettle($item, $entry, $live));
    }

    /** @return Collection<int, HeldEdit> what a visitor changed that met a change of somebody else */
    private function waiting(Item $entry): Collection
    {
        return HeldEdit::query()->with('item', 'met', 'user')->where(['item_id' => $entry->id, 'user_id' => User::visitor()->id])->whereNull('settled_at')->orderBy('id')->get();
    }

    private function toSettle(Item $item, Item $entry, Publishing $live): View
    {
        $held = $this->waiting($entry)->map(fn (HeldEdit $each) => ['held' => $each, 'view' => new HeldEditView($each, User::visitor(), $this->states)]);

        return view('answer-settle', ['title' => $live->title, 'held' => $held, 'action' => route('read.mine.settle', [$item->address, $entry->token])]);
    }

    private function changed(Item $item, Item $entry, Publishing $live): View
    {
        return view('answered', ['item' => $item, 'title' => $live->title, 'entry' => $entry, 'thanks' => $this->start($live)->settings()?->richText('thanks')->text() ?? '', 'person' => null, 'again' => route('read', $item->address), 'mine' => route('read.mine', [$item->address, $entry->token])]);
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
            if ($to !== null && $to !== '') {
                $this->mail->handle($item, $to, __('form.mail.subject', ['title' => $live->title]), implode("\n\n", array_filter([
                    $answering->settings()?->richText('thanks')->text(),
                    implode("\n", array_map(fn (Part $answer) => $answer->string('label').(str_ends_with($answer->string('label'), '?') ? ' ' : ': ').AnswerText::of($answer), $answering->answers->entry()->parts)),
                    $mine === null ? null : (string) __('form.mail.change', ['address' => $mine]),
                ])));
            }
        }
    }

    private function page(Item $item, Publishing $live, Answering $answering, ?User $person): View
    {
        return view('answer', [
            'item' => $item, 'title' => $live->title, 'answering' => $answering, 'person' => $person,
            'closed' => $this->closed($item, $live, $person),
            'action' => $person === null ? route('read.send', $item->address) : route('answer.store', $item),
        ]);
    }

    private function answering(Request $request, Item $item, Publishing $live, KeepPicture $keep): Answering
    {
        $sent = $request->validate([
            'a' => ['nullable', 'array', 'max:500'], 'seen' => ['nullable', 'array', 'max:500'], 'seen.*' => ['string', 'max:24'],
            'file' => ['nullable', 'array', 'max:50'], 'file.*' => ['string', 'max:2000'], 'to' => ['nullable', 'string', 'max:24'], 'publishing' => ['nullable', 'integer'],
        ]);
        $form = $this->states->tree($live->version->root);
        $files = $this->files($request, $item, $keep, $sent['file'] ?? []);

        return new Answering($form, $sent['a'] ?? [], array_values(array_filter($sent['seen'] ?? [], $form->has(...))), $files, $sent['to'] ?? null);
    }

    private function start(Publishing $live): Answering
    {
        return new Answering($this->states->tree($live->version->root), [], []);
    }

    /** Why it takes no answers from this person now. */
    private function closed(Item $item, Publishing $live, ?User $person): ?string
    {
        $opening = new Opening($this->start($live)->settings());
        $code = $opening->closed(now()->format('Y-m-d'), $person?->email, $person !== null && $this->hasAnswered($item, $person));

        return $code === null ? null : (string) __("form.closed.{$code}", ['date' => in_array($code, ['opens', 'closes'], true) ? $opening->date($code) : '']);
    }

    private function hasAnswered(Item $form, User $person): bool
    {
        return $form->entries()->whereNull('deleted_at')->whereHas('versions', fn ($query) => $query->where(['number' => 1, 'user_id' => $person->id]))->exists();
    }

    /**
     * @param  array<array-key, mixed>  $sealed  files of pages before
     * @return array<string, array{string, string}>
     */
    private function files(Request $request, Item $item, KeepPicture $keep, array $sealed): array
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
            $kept = $file instanceof UploadedFile && $file->isValid() && $file->getSize() <= self::MOST_BYTES ? $keep->file($item, (string) $file->getContent()) : null;
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
