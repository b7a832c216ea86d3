<?php

declare(strict_types=1);

namespace App\View\Sources;

use App\Models\CommentDeed;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\Version;
use App\Store\Proposed;
use App\Store\States;
use App\View\Proposals\OpenProposals;
use App\View\Talk\CommentSeen;
use App\View\Talk\Talk;
use App\View\Talk\ThreadSeen;
use Illuminate\Support\Str;
use MistyAttic\Core\Formats\SaidAsJson;
use MistyAttic\Core\Formats\SaidInFile;
use MistyAttic\Core\Formats\TrackedTree;
use MistyAttic\Core\Formats\Workbook\CellNote;

/** What was said about an item by a version, and what was proposed then, for files that take it along. */
final readonly class SaidAlong
{
    /** @var list<ThreadSeen> */
    private array $threads;

    public function __construct(private Item $item, private Version $version)
    {
        $this->threads = (new Talk($item, $version->number))->threads;
    }

    /** What somebody said in a thread, as other programs are told: with the words that it is about, and what it did. */
    public static function text(ThreadSeen $thread, CommentSeen $comment, bool $isFirst): string
    {
        $deed = match ($comment->deed) {
            CommentDeed::Settled => (string) __('talk.settle'),
            CommentDeed::Reopened => (string) __('talk.reopen'),
            default => '',
        };

        return $comment->isWithdrawn
            ? ''
            : implode(
                "\n",
                array_filter(
                    [$isFirst && $thread->quote !== '' && $thread->field === '' ? "“{$thread->quote}”" : '', $deed, $comment->text],
                    fn (string $line): bool => $line !== '',
                ),
            );
    }

    /** @return array<string, array<string, CellNote>> row => column => what is open about the cell */
    public function notes(): array
    {
        $notes = [];
        foreach ($this->threads as $thread) {
            $lines = $thread->field === '' || ! $thread->isOpen()
                ? []
                : array_filter(
                    array_map(
                        fn (CommentSeen $comment): string => $comment->isWithdrawn || $comment->text === ''
                            ? ''
                            : "{$comment->user->name}: {$comment->text}",
                        $thread->comments,
                    ),
                    fn (string $line): bool => $line !== '',
                );
            if ($lines !== []) {
                $before = $notes[$thread->part][$thread->field] ?? null;
                $notes[$thread->part][$thread->field] = new CellNote(
                    $before->by ?? $thread->comments[0]->user->name,
                    implode("\n", [...$before === null ? [] : [$before->text], ...$lines]),
                );
            }
        }

        return $notes;
    }

    /** @return array<string, true> by "name\ntext", all that other programs are told */
    public function lines(): array
    {
        $lines = [];
        foreach ($this->threads as $thread) {
            foreach ($thread->comments as $at => $comment) {
                $lines[$comment->user->name."\n".Str::squish(self::text($thread, $comment, $at === 0))] = $lines[
                    $comment->user->name."\n".Str::squish($comment->text)
                ] = true;
            }
        }

        return $lines;
    }

    /** @return list<SaidInFile> threads about parts that are there, and about all of it */
    public function said(): array
    {
        $said = [];
        foreach ($this->threads as $thread) {
            $lines = [];
            foreach ($thread->comments as $comment) {
                if (! $comment->isWithdrawn && $comment->text !== '' && $thread->version === null) {
                    $lines[] = new SaidInFile(
                        $comment->user->name,
                        $comment->text,
                        $lines === [] && $thread->words !== null ? $thread->quote : '',
                        null,
                        $lines === [] ? $thread->part : '',
                        $lines === [] ? $thread->field : '',
                        gmdate('Y-m-d\TH:i:s\Z', $comment->at),
                    );
                }
            }
            $first = array_shift($lines);
            $first === null
                || ($said[] = new SaidInFile(
                    $first->by,
                    $first->text,
                    $first->quote,
                    null,
                    $first->part,
                    $first->field,
                    $first->at,
                    $lines,
                    ! $thread->isOpen(),
                ));
        }

        return $said;
    }

    /** @return list<TrackedTree> what it would become with what each proposes */
    public function proposed(States $states): array
    {
        $tree = $states->tree($this->version->root);
        $open = new OpenProposals($this->item, $this->version->number === $this->item->head ? null : $this->version->number);

        return array_values(
            $open->all
                ->take(SaidAsJson::PROPOSALS)
                ->map(
                    fn (Proposal $proposal): TrackedTree => new TrackedTree(
                        $proposal->said_by ?? $proposal->user->name,
                        (new Proposed($states))->onto($proposal, $tree)->tree,
                        [],
                    ),
                )
                ->all(),
        );
    }
}
