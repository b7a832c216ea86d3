<?php

declare(strict_types=1);

namespace App\Proposing;

use App\Making\BringInFile;
use App\Making\KeepPicture;
use App\Models\CommentDeed;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\User;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\Proposed;
use App\Store\States;
use App\Talk\About;
use App\Talk\AddComment;
use App\Talk\BeginThread;
use App\View\Proposals\OpenProposals;
use App\View\Sources\SaidAlong;
use Illuminate\Support\Str;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\SaidInFile;
use MistyAttic\Core\Formats\TrackedTree;
use MistyAttic\Core\Kinds\Grid;

/**
 * What a file holds of tracked changes becomes proposals, and its comments threads: by whoever brought it in, under the names that the file
 * gives.
 */
final readonly class BringTracked
{
    /** Letters of a name that are kept. */
    private const NAME = 80;

    public function __construct(
        private OpenLine $open,
        private SaveState $save,
        private States $states,
        private KeepPicture $pictures,
        private BeginThread $begin,
        private AddComment $add,
        private Proposed $proposed,
    ) {}

    /** @return array{int, int} how many people propose something, and how many threads there are */
    public function handle(Item $item, User $person, Content $content): array
    {
        $proposed = 0;
        $now = $this->states->tree($item->root);
        foreach ($content->tracked as $tracked) {
            $name = Str::limit($this->named($item, $tracked->by), self::NAME) ?: (string) __('history.somebody');
            $becomes = self::matched($content, $now, $tracked);
            // What changes nothing is not proposed, nor what is open here under the same name.
            if ($becomes->equals($now) || $this->isProposed($item, $name, $now, $becomes)) {
                continue;
            }
            foreach ($tracked->pictures as $bytes) {
                $this->pictures->handle($item, $bytes);
            }
            $line = $this->open->handle($item, $person, $name);
            $stands = $this->states->tree($line->root);
            $this->save->handle(
                $line,
                $person,
                new Sent($line->root, self::matched($content, $stands, $tracked), "file-{$line->id}", keep: true),
            );
            $proposed++;
        }

        return [$proposed, $content->said === [] ? 0 : $this->said($item, $person, $content->said)];
    }

    private static function matched(Content $content, PartTree $stands, TrackedTree $tracked): PartTree
    {
        return $content->hasIds && BringInFile::knows($stands, $tracked->tree)
            ? $tracked->tree
            : BringInFile::matched($content->kind, $stands, $tracked->tree);
    }

    private function isProposed(Item $item, string $name, PartTree $now, PartTree $becomes): bool
    {
        return (new OpenProposals($item))->all->contains(
            fn (Proposal $open): bool => in_array($name, [$open->user->name, $open->said_by], true)
                && $this->proposed->onto($open, $now)->tree->equals($becomes),
        );
    }

    /**
     * A thread for each, but for those that were said here already: a file that was taken along brings them back.
     *
     * @param  list<SaidInFile>  $all
     * @return int how many there are
     */
    private function said(Item $item, User $person, array $all): int
    {
        $tree = $this->states->tree($item->refresh()->root);
        $along = new SaidAlong($item, $item->versions()->where('number', $item->head)->firstOrFail());
        $notes = $along->notes();
        $known = $along->lines();
        $begun = 0;
        foreach ($all as $one) {
            $said = $one->with(by: $this->named($item, $one->by));
            $about = $this->about($item->kind()->grid(), $tree, $said);
            $note = Str::squish($notes[$about->part][$about->field]->text ?? '');
            $text = Str::squish($said->text);
            // Of a note that grew, only what is new of it.
            $isNew = ! isset($known[Str::squish($said->by)."\n".$text]) && $text !== $note;
            $begun += $isNew
            && $this->thread(
                $item,
                $person,
                $about,
                $note !== '' && str_starts_with($text, $note) ? $said->with(text: trim(mb_substr($text, mb_strlen($note)))) : $said,
            )
                ? 1
                : 0;
        }

        return $begun;
    }

    private function thread(Item $item, User $person, About $about, SaidInFile $said): bool
    {
        $thread = $this->begin->handle($item, $person, $about, self::text($said));
        if ($thread === null) {
            return false;
        }
        foreach ($said->answers as $answer) {
            $this->add->handle($thread, $person, CommentDeed::Said, self::text($answer));
        }
        ! $said->isSettled || $this->add->handle($thread, $person, CommentDeed::Settled, '');

        return true;
    }

    /**
     * Whoever is on the shelf with the address that a file gives, by their name here; anybody else by the name that it gives, without an
     * address.
     */
    private function named(Item $item, string $by): string
    {
        $by = Str::squish($by);
        if (preg_match('/^(.*?)\s*<?([^\s<>]+@[^\s<>]+)>?$/D', $by, $found) !== 1) {
            return $by;
        }
        $person = User::query()->where('email', $found[2])->whereIn('id', $item->shelf->memberships()->select('user_id'))->first();

        return $person->name ?? ($found[1] === '' ? $by : $found[1]);
    }

    private static function text(SaidInFile $said): string
    {
        $by = Str::limit(Str::squish($said->by), self::NAME);
        // A note of ours begins with the name.
        $text = $by !== '' && str_starts_with($said->text, "{$by}: ") ? substr($said->text, strlen($by) + 2) : $said->text;

        return Str::limit(
            (string) __('talk.in_file', ['who' => $by ?: __('history.somebody'), 'text' => $text]),
            (int) config('attic.comment', 4_000),
        );
    }

    /** Where a file says that it is: a part or a cell, or the first words that are the same; of what is nowhere, all of it. */
    private function about(?Grid $grid, PartTree $tree, SaidInFile $said): About
    {
        if ($said->cell !== null) {
            return $grid === null ? new About : $this->cell($grid, $tree, ...$said->cell);
        }
        $part = $said->part === '' ? null : $tree->find($said->part);
        if ($part !== null && $said->quote === '') {
            return new About($part->id, $said->field);
        }
        foreach ($said->quote === '' ? [] : ($part === null ? $tree->parts : [$part, ...$tree->parts]) as $one) {
            $text = ($one->fields['text'] ?? null) instanceof RichText ? $one->richText()->text() : '';
            $at = mb_strpos($text, $said->quote);
            if ($at !== false) {
                return new About($one->id, words: [$at, $at + mb_strlen($said->quote), $said->quote]);
            }
        }

        return $part === null ? new About : new About($part->id);
    }

    private function cell(Grid $grid, PartTree $tree, int $tab, int $row, int $column): About
    {
        $children = $tree->children();
        $of = [$grid->column => [], $grid->row => []];
        foreach ($children[$children[PartTree::ROOT][$tab] ?? ''] ?? [] as $id) {
            $of[$tree->get($id)->role][] = $id;
        }

        return isset($of[$grid->row][$row], $of[$grid->column][$column])
            ? new About($of[$grid->row][$row], $of[$grid->column][$column])
            : new About;
    }
}
