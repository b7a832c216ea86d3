<?php

declare(strict_types=1);

namespace Demo;

use App\Keeping\KeepByRules;
use App\Keeping\TakeAway;
use App\Kinds\Dataset\Following\ReadSource;
use App\Kinds\Dataset\Following\TakeInData;
use App\Kinds\File\ReceiveFile;
use App\Kinds\Form\TakeEntry;
use App\Making\CopyOut;
use App\Making\KeepPicture;
use App\Making\MakeItem;
use App\Models\Cause;
use App\Models\CommentDeed;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Milestone;
use App\Models\ProposalState;
use App\Models\PublishingState;
use App\Models\Shelf;
use App\Models\Thread;
use App\Models\User;
use App\Models\Version;
use App\Past\MarkMilestone;
use App\Publishing\AnswerWish;
use App\Publishing\AskToPublish;
use App\Publishing\OpenToPublic;
use App\Publishing\PublishVersion;
use App\Restoring\RestoreVersion;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Saving\SettleHeldEdit;
use App\Store\States;
use App\Store\WhatIsKept;
use App\Talk\About;
use App\Talk\AddComment;
use App\Talk\BeginThread;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Date;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Merge\Choice;

/** Tells one story through the application's own actions. */
final readonly class Teller
{
    /** Minutes between two lines of a scene: more than a checkpoint, less than a pause. */
    private const STEP = 3;

    public function __construct(
        private States $states,
        private MakeItem $make,
        private SaveState $save,
        private MarkMilestone $mark,
        private BeginThread $begin,
        private AddComment $comment,
        private RestoreVersion $restore,
        private CopyOut $copy,
        private SettleHeldEdit $settle,
        private KeepPicture $pictures,
        private PublishVersion $publish,
        private AskToPublish $ask,
        private AnswerWish $answer,
        private OpenToPublic $open,
        private TakeAway $away,
        private KeepByRules $keep,
        private TakeEntry $entry,
        private TakeInData $data,
        private ReadSource $sources,
        private ReceiveFile $files,
        private Proposals $proposals,
    ) {}

    /** @return int how many versions it came to */
    public function tell(Story $story, CarbonImmutable $start): int
    {
        $shelf = Shelf::query()->where('name', $story->shelf)->firstOrFail();
        $item = null;
        $count = 0;
        $draft = null;
        // What somebody started from who has written since without seeing the rest.
        $stale = null;
        foreach ($story->scenes as $scene) {
            $who = User::query()->where('name', 'like', $scene->who.' %')->firstOrFail();
            foreach ($scene->lines as $step => [$line, $where]) {
                Date::setTestNow($start->addDays($scene->day - 1)->addMinutes($scene->minute + $step * self::STEP));
                if (str_starts_with($line, 'send ')) {
                    $item = $this->files->whole(
                        $shelf,
                        $who,
                        $story->title,
                        (string) file_get_contents(__DIR__.'/files/'.substr($line, 5)),
                        $item,
                        function () use (&$count): string {
                            return sprintf('dline%05d', ++$count);
                        },
                    );

                    continue;
                }
                $item ??= $this->made($shelf, $who, $story);
                $draft ??= $this->draft($story, $item);
                try {
                    $stale = $this->line($item, $who, self::dated($line), $draft, $stale);
                } catch (\DomainException $e) {
                    throw new \DomainException("{$where}: {$e->getMessage()}", 0, $e);
                }
            }
        }

        return $item->head ?? 0;
    }

    /** `in 9 days` is a day, counted from when the line is told: the story goes on with the calendar. */
    private static function dated(string $line): string
    {
        return (string) preg_replace_callback(
            '/(?<== )in (\d+) days$/',
            fn (array $found): string => Date::now()->addDays((int) $found[1])->format('Y-m-d'),
            $line,
        );
    }

    /** A dataset has the same key every time, since reports name it by that, and may be told of in two stories. */
    private function made(Shelf $shelf, User $who, Story $story): Item
    {
        $known = $story->kind === 'dataset' ? $shelf->items()->where(['kind' => 'dataset', 'title' => $story->title])->first() : null;
        if ($known !== null) {
            return $known;
        }
        $item = $this->make->handle($shelf, $who, $story->kind, $story->title, 'dfirst');
        if ($story->kind === 'dataset') {
            $item->update(['key' => substr(sha1($story->title), 0, 12)]);
        }

        return $item;
    }

    private function draft(Story $story, Item $item): Drafting
    {
        $name = basename($story->file);

        return match ($story->kind) {
            'spreadsheet' => new SheetDraft,
            'page' => new PageDraft(
                $name,
                fn (string $file) => $this->pictures->handle($item, (string) file_get_contents($file))
                    ?? throw new \DomainException("{$file} is no picture"),
            ),
            'form' => new FormDraft($name),
            'dataset' => new DataDraft,
            'report' => new ReportDraft(function (string $title): array {
                $dataset = Item::query()
                    ->where('kind', 'dataset')
                    ->where(fn ($query) => $query->where('title', $title)->orWhere('key', $title))
                    ->firstOrFail();

                return [$dataset->key, $this->states->tree($this->then($dataset)->root)];
            }),
            default => new Draft($name),
        };
    }

    /** @return string|null the root that the next line starts from, if it is not the newest */
    private function line(Item $item, User $who, string $line, Drafting $draft, ?string $stale): ?string
    {
        // Who goes on has seen what was answered.
        $item->publishings()->where('user_id', $who->id)->whereNotNull('decided_at')->whereNull('told_at')->update(['told_at' => now()]);
        [$word, $rest] = [...explode(' ', $line, 2), ''];
        if ($word === 'unseen') {
            // What follows is written without having seen the newest version.
            return (string) Version::query()->where(['item_id' => $item->id, 'number' => $item->head - 1])->value('root');
        }
        $deed = $this->deed($item, $who, $word, $rest, $draft);
        if ($deed !== null) {
            $deed();

            return null;
        }
        $base = $stale ?? $item->root;
        $saved = $this->save->handle(
            $item,
            $who,
            new Sent($base, $draft->edit($this->states->tree($base), $line), 'demo-'.$who->id.'-'.$item->head),
        );

        return $saved instanceof Saved ? null : throw new \DomainException('could not be saved');
    }

    /** What a word does to the item itself; null where the line is something written. */
    private function deed(Item $item, User $who, string $word, string $rest, Drafting $draft): ?\Closure
    {
        $newest = fn (): Version => $this->version($item, (string) $item->head);
        $note = $rest === '' ? null : $rest;

        return match ($word) {
            'milestone' => fn () => $this->mark->handle($newest(), $who, $rest),
            'restore' => fn () => $this->restore->handle($item, $this->version($item, $rest), $who, $item->head)
                ?? throw new \DomainException('nothing to restore'),
            'take-back' => fn () => $this->restore->handle(
                $item,
                $this->version($item, (string) ($item->head - 1)),
                $who,
                $item->head,
                Cause::TookBack,
            ),
            'copy-out' => fn () => $this->copyOut($newest(), $who, ...explode(' | ', $rest)),
            'settle' => fn () => $this->settle->handle(
                HeldEdit::query()->waitingFor($who)->where('item_id', $item->id)->firstOrFail()->setRelation('item', $item),
                $who,
                Choice::from($rest),
            ),
            'publish' => fn () => $this->publish->handle($newest(), $who, $note),
            'ask' => fn () => $this->ask->handle($newest(), $who, $rest),
            'yes', 'no' => fn () => $this->answer->handle(
                $item->publishings()->waiting()->firstOrFail()->setRelation('item', $item),
                $who,
                $word === 'yes' ? PublishingState::Published : PublishingState::Refused,
                $note,
            ),
            'entries' => fn () => $this->entries($item, $rest),
            'fill' => fn () => $this->fill($item, $rest),
            'follow' => fn () => $this->data->bind($item, ...[...$this->source($rest), null]),
            'entry', 'every' => fn () => $this->editEntries($item, $who, $word, $rest),
            'delete' => fn () => $this->away->handle($item, $who),
            'bring-back' => fn () => $this->away->back($item, $who),
            'pin' => fn () => $this->version($item, $rest)->forceFill(['pinned_by' => $who->id])->save(),
            'keep-shelf' => fn () => $this->keepShelf($item, $who, ...explode(' ', $rest)),
            'let-go' => fn () => $this->keep->handle($item->refresh(), $who),
            'public' => fn () => $this->open->handle($item, true),
            'say', 'answer', 'settled', 'reopen' => fn () => $this->talk($item, $who, $word, ...explode(' :: ', $rest, 2)),
            'propose' => fn () => $this->proposals->propose($item->refresh(), $who, $rest, $draft),
            'accept', 'decline', 'withdraw' => fn () => $this->proposals->answer(
                $item->refresh(),
                $who,
                ['accept' => ProposalState::Accepted, 'decline' => ProposalState::Declined, 'withdraw' => ProposalState::Withdrawn][$word],
                $rest,
            ),
            default => null,
        };
    }

    private function copyOut(Version $version, User $who, string $name, string $shelf): void
    {
        $this->copy->handle($version, Shelf::query()->where('name', $shelf)->firstOrFail(), $who, $name);
    }

    private function keepShelf(Item $item, User $who, string $every, string $pace, string $days): void
    {
        WhatIsKept::say(
            $who,
            [...WhatIsKept::place()->values, 'every' => (int) $every, 'then' => [[$pace, (int) $days]]],
            shelf: $item->shelf,
        );
    }

    /** `say a tag :: Why?` begins a thread on these words, wherever they are; `answer a tag :: So.` goes on with it. */
    private function talk(Item $item, User $who, string $word, string $on, string $text = ''): void
    {
        if ($word !== 'say') {
            $thread = Thread::query()
                ->where('item_id', $item->id)
                ->where('quote', 'LIKE', "%{$on}%")
                ->latest('id')
                ->firstOrFail()
                ->setRelation('item', $item);
            $this->comment->handle(
                $thread,
                $who,
                ['answer' => CommentDeed::Said, 'settled' => CommentDeed::Settled, 'reopen' => CommentDeed::Reopened][$word],
                $text,
            );

            return;
        }
        $kind = $item->kind();
        foreach ($this->states->tree($item->root)->parts as $part) {
            foreach ($kind->texts($part) as $field => $said) {
                $at = mb_strpos($said, $on);
                if ($at !== false) {
                    $isText = ($part->fields['text'] ?? null) instanceof RichText && $part->richText()->text() === $said;
                    $this->begin->handle(
                        $item,
                        $who,
                        new About(
                            $part->id,
                            $kind->grid() === null ? '' : (string) $field,
                            words: $isText ? [$at, $at + mb_strlen($on), $on] : null,
                        ),
                        $text,
                    ) ?? throw new \DomainException('nothing to talk about');

                    return;
                }
            }
        }
        throw new \DomainException("“{$on}” stands nowhere");
    }

    /** `46 over 30`: so many entries from visitors, spread over so many days. */
    private function entries(Item $form, string $text): void
    {
        [$count, $days] = array_map(intval(...), explode(' over ', $text));
        $visitors = new Visitors($form->title);
        $live = $form->refresh()->live ?? throw new \DomainException('nothing is live yet');
        $tree = $this->states->tree($live->version->root);
        $start = Date::now();
        $number = (int) $form->entries()->max('number');
        for ($at = 0; $at < $count; $at++) {
            Date::setTestNow($start->addMinutes((int) ($at * $days * 1440 / $count) + $at * 7 % 400));
            $this->entry->handle($form, $live, null, $visitors->answers($tree, ++$number, Date::now()->toDateTimeImmutable()));
        }
    }

    /** `12: QUESTION = ANSWER` of one entry, or `6 from 60 to 126: …` of every sixth. */
    private function editEntries(Item $form, User $who, string $word, string $text): void
    {
        [$which, $edit] = Prose::two($text, ': ');
        [$question, $value] = Prose::two($edit, ' = ');
        [$step, $from, $to] = $word === 'entry'
            ? [1, (int) $which, (int) $which]
            : array_map(intval(...), explode(' ', str_replace([' from ', ' to '], ' ', $which)));
        foreach (range($from, $to, $step) as $number) {
            $entry = $form->entries()->where('number', $number)->firstOrFail();
            $tree = $this->states->tree($entry->root);
            $parts = array_map(
                fn (Part $answer) => ! str_contains($answer->string('label'), $question)
                    ? $answer
                    : $answer->with(
                        'value',
                        match (true) {
                            Cell::isDate($value) => ['d', $value],
                            is_numeric($value) => (int) $value,
                            default => $value,
                        },
                    ),
                $tree->parts,
            );
            $this->save->handle(
                $entry,
                $who,
                new Sent($entry->root, PartTree::of($parts), 'demo-'.$who->id.'-'.$entry->head),
            ) instanceof Saved || throw new \DomainException('could not be saved');
        }
    }

    /** What a dataset is filled from, as that stood at this moment of the story, in the name of who wrote there last. */
    private function fill(Item $dataset, string $named): void
    {
        [$source, $tab] = $this->source($named);
        $version = $this->then($source);
        $read = $this->sources->item($source, $tab, $version, Date::now()->toImmutable())
        ?? throw new \DomainException("there is no {$named} yet");
        $before = $this->states->tree($dataset->root);
        $saved = $this->save->handle(
            $dataset,
            $version->load('user')->user,
            new Sent(
                $dataset->root,
                $read->tree($read->types(), $dataset->head === 1 ? null : $before),
                'fill-'.$dataset->head,
                keep: true,
                note: __('data.followed', ['title' => $source->title, 'number' => (string) $version->number]),
            ),
        );
        $saved instanceof Saved || throw new \DomainException('could not be filled');
    }

    /** @return array{Item, string|null} by `TITLE: TAB`, or the title of a form */
    private function source(string $named): array
    {
        [$title, $tab] = explode(': ', $named, 2) + ['', ''];
        $source = Item::query()->where('title', $title)->whereIn('kind', ['spreadsheet', 'form'])->firstOrFail();
        foreach ($source->kind === 'form' ? [] : $this->states->tops($this->then($source)->root) as $part) {
            if ($part->string('name') === $tab) {
                return [$source, $part->id];
            }
        }

        return [$source, null];
    }

    /** The version of an item that was the newest at this moment of the story. */
    private function then(Item $item): Version
    {
        return $item->versions()->where('saved_at', '<=', now()->format('Y-m-d H:i:s'))->orderByDesc('number')->firstOrFail();
    }

    private function version(Item $item, string $named): Version
    {
        $milestone = Milestone::query()->whereRelation('version', 'item_id', $item->id)->where('name', $named)->first();
        $version = $milestone === null
            ? Version::query()
                ->where(['item_id' => $item->id, 'number' => (int) $named < 0 ? $item->head + (int) $named : (int) $named])
                ->firstOrFail()
            : Version::query()->findOrFail($milestone->version_id);

        return $version->setRelation('item', $item);
    }
}
