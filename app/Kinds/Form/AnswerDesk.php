<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Kinds\Entry\EntryView;
use App\Making\KeepPicture;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\User;
use App\Sharing\SendMail;
use App\Store\States;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use MistyAttic\Core\Content\PartTree;

/**
 * What everybody does who answers a form, on its shelf or at its address: pages that are gone through, answers that are taken, and those
 * that are kept for another day.
 */
final class AnswerDesk
{
    private const MOST_BYTES = 5_242_880;

    /** Bytes of what is kept for another day. */
    private const MOST_HALF = 262_144;

    public function __construct(
        private readonly States $states,
        private readonly SendMail $mail,
        private readonly TakesAnswers $takes,
        private readonly SendingBounds $bounds,
        private readonly TakeEntry $entries,
        private readonly KeepPicture $pictures,
    ) {}

    /** @param array<string, string> $typed what was written and was not taken */
    public function page(Item $item, Publishing $live, Answering $answering, ?User $person, array $typed = [], ?string $closed = null): View
    {
        return view('kinds.form.fill', [
            'item' => $item, 'title' => $live->title, 'answering' => $answering, 'person' => $person, 'typed' => $typed,
            'closed' => $closed ?? $this->takes->closed($item, $live, $person),
            'action' => $person === null ? route('read.send', $item->address) : route('answer.store', $item),
        ]);
    }

    public function answering(AnswersRequest $request, Item $item, Publishing $live, ?PartTree $form = null): Answering
    {
        $sent = $request->validated();
        $form ??= $this->states->tree($live->version->root);
        $files = $this->files($request, $item, $form, $sent['file'] ?? []);

        return new Answering(
            $form,
            $sent['a'] ?? [],
            array_values(array_filter($sent['seen'] ?? [], $form->has(...))),
            $files,
            $sent['to'] ?? null,
        );
    }

    public function start(Publishing $live): Answering
    {
        return new Answering($this->states->tree($live->version->root), [], []);
    }

    /**
     * What somebody wrote, in words.
     *
     * @param  bool  $named  whether the questions are named; where a form is not public, nothing of it is
     * @return array<string, string> question, or its place in the list => words
     */
    public function typed(Request $request, Item $form, bool $named = true): array
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
                $asked = $tree
                    ->find(str_starts_with((string) $question, 'other-') ? substr((string) $question, 6) : (string) $question)
                    ?->richText()
                    ->text() ?? '';
                $typed[$named && $asked !== '' ? $asked : (string) (count($typed) + 1)] = mb_substr($words, 0, 20_000);
            }
        }

        return $typed;
    }

    /**
     * @return array<string, string> what was written and is no answer of the entry: to a question that was removed, or that a rule skips
     */
    public function left(Request $request, Item $form, PartTree $entry): array
    {
        $other = new Request(
            [],
            [
                'a' => array_filter(
                    (array) $request->input('a'),
                    fn (int|string $question) => ! $entry->has(
                        str_starts_with((string) $question, 'other-') ? substr((string) $question, 6) : (string) $question,
                    ),
                    ARRAY_FILTER_USE_KEY,
                ),
            ],
        );
        $other->setMethod('POST');

        return $this->typed($other, $form);
    }

    public function live(Item $item): Publishing
    {
        abort_unless($item->kind === 'form', 404);

        return Publishing::query()->with('version')->find($item->live_id) ?? abort(404);
    }

    /** @return array{a: array<array-key, mixed>, files: array<string, array{string, string}>}|null what was kept for another day */
    public function half(Item $item, ?string $token): ?array
    {
        $row = $token === null ? null : DB::table('half_answers')->where(['token' => $token, 'item_id' => $item->id])->value('sent');
        $sent = is_string($row) ? json_decode($row, true) : null;

        return is_array($sent) && is_array($sent['a'] ?? null) && is_array($sent['files'] ?? null)
            ? ['a' => $sent['a'], 'files' => $sent['files']]
            : null;
    }

    /** @return string the token of what was answered so far */
    private function keep(Item $item, Answering $answering): string
    {
        $question = fn (string $name): string => str_starts_with($name, 'other-') ? substr($name, 6) : $name;
        $isAsked = fn (string|int $name): bool => $answering->form->has($question((string) $name));
        $sent = (string) json_encode([
            'a' => array_filter($answering->sent, $isAsked, ARRAY_FILTER_USE_KEY),
            'files' => array_filter($answering->files, fn (array $file) => $file[0] !== ''),
        ]);
        abort_if(strlen($sent) > self::MOST_HALF, 413);
        $token = Str::random(40);
        DB::table('half_answers')->insert([
            'token' => $token,
            'item_id' => $item->id,
            'sent' => $sent,
            'kept_at' => now()->format('Y-m-d H:i:s'),
        ]);

        return $token;
    }

    /** What was answered so far, kept for another day at an address of its own. */
    public function later(AnswersRequest $request, Item $item, ?Item $entry = null): View
    {
        $live = $this->live($item);
        abort_if($this->takes->closed($item, $live, null) !== null, 403);
        $answering = $this->answering(
            $request,
            $item,
            $live,
            $entry === null ? null : (new EntryView($entry, $this->states))->answering->form,
        );
        $token = $this->keep($item, $answering);
        $address = $entry === null
            ? route('read', [$item->address, 'kept' => $token])
            : route('read.mine', [$item->address, $entry->token, 'kept' => $token]);

        return view('kinds.form.fill', [
            'item' => $item,
            'title' => $live->title,
            'person' => null,
            'closed' => null,
            'typed' => [],
            'action' => '',
            'answering' => $answering,
            'kept' => $address,
        ]);
    }

    public function take(AnswersRequest $request, Item $item, ?User $person): View
    {
        $live = $this->live($item);
        if ($this->takes->closed($item, $live, $person) !== null) {
            // Nothing is taken, no file either; what was written is shown, so that it can be kept.
            return $this->page($item, $live, $this->start($live), $person, $this->typed($request, $item));
        }
        $answering = $this->answering($request, $item, $live);
        if ($answering->page !== null) {
            return $this->page($item, $live, $answering, $person);
        }
        if (! $this->bounds->maySend($item, (string) ($person->id ?? $request->ip()))) {
            return $this->page($item, $live, $this->start($live), $person, $this->typed($request, $item), (string) __('form.closed.many'));
        }
        $entry = $this->entries->handle($item, $live, $person, $answering->answers->entry());
        if ($entry === null) {
            return $this->page($item, $live, $this->start($live), $person, $this->typed($request, $item));
        }
        $mine = $person === null && ($answering->settings()->fields['editable'] ?? false) === true
            ? route('read.mine', [$item->address, $entry->token])
            : null;
        $this->confirm($item, $live, $answering, $entry, $mine);

        return view('kinds.form.filled', [
            'mine' => $mine,
            'left' => $this->left($request, $item, $answering->answers->entry()),
            'item' => $item,
            'title' => $live->title,
            'entry' => $entry,
            'thanks' => $answering->settings()?->richText('thanks')->text() ?? '',
            'person' => $person,
            'again' => $person === null ? route('read', $item->address) : route('answer', $item),
        ]);
    }

    /**
     * @param  array<array-key, mixed>  $sealed  files of pages before
     * @return array<string, array{string, string}>
     */
    private function files(Request $request, Item $item, PartTree $form, array $sealed): array
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
            $kept = $file instanceof UploadedFile
            && $file->isValid()
            && $file->getSize() <= self::MOST_BYTES
            && $this->bounds->mayFile($item, (string) $request->ip(), (int) $file->getSize())
                ? $this->pictures->file($item, (string) $file->getContent())
                : null;
            // What can not be taken is said at its question.
            $files[(string) $question]
                = $kept === null ? ['', ''] : [$kept->chunk, mb_substr(mb_scrub($file->getClientOriginalName()), 0, 200)];
        }

        return $files;
    }

    /** Tells those who gave an e-mail address that their answers arrived. */
    private function confirm(Item $item, Publishing $live, Answering $answering, Item $entry, ?string $mine): void
    {
        foreach ($answering->form->parts as $question) {
            $to = $question->string('type') === 'email' ? $answering->answers->entry()->find($question->id)?->string('value') : null;
            if ($to !== null && $to !== '' && $this->bounds->mayMail($item, $to)) {
                // Little is in it that the sender wrote: whose address it is has not asked for it.
                $this->mail->handle($item, $to, __('form.mail.subject', ['title' => $live->title]), implode("\n\n", array_filter([
                    $answering->settings()?->richText('thanks')->text(),
                    (string) __('form.mail.number', ['number' => (string) $entry->number]),
                    $mine === null ? null : (string) __('form.mail.change', ['address' => $mine]),
                ])));
            }
        }
    }

    /** A form that everybody may answer who has its address. */
    public function open(string $address): Item
    {
        return Item::query()->public($address)->where('kind', 'form')->firstOrFail();
    }

    /** An answer to one person, which nobody keeps for another. */
    public function uncached(View $view): Response
    {
        return response($view, 200, ['Cache-Control' => 'no-store', 'Referrer-Policy' => 'no-referrer']);
    }
}
