<?php

declare(strict_types=1);

namespace App\View\Talk;

use App\Models\CommentDeed;
use App\Models\Item;
use App\Models\User;
use App\Talk\Spot;
use Illuminate\Support\Str;
use MistyAttic\Core\Content\PartTree;

/** A thread, as it stood at a version. */
final readonly class ThreadSeen
{
    /** Letters of what is said in one line. */
    private const LINE = 120;

    /**
     * @param  string  $slug  its name in addresses
     * @param  string  $began  the part that it began at; '' when it is about a version or all of the item
     * @param  list<string>|null  $also  further parts that were chosen with it
     * @param  int|null  $version  that it is about
     * @param  int  $number  of the version that was newest when it began
     * @param  non-empty-list<CommentSeen>  $comments
     * @param  string  $part  where it is now
     * @param  array{int, int}|null  $words  where in its text, code points
     * @param  Spot|null  $spot  of a picture
     * @param  int|null  $goneSince  the version that its words are gone since, though its part may be
     */
    public function __construct(
        public string $slug,
        public string $began,
        public string $field,
        public ?array $also,
        public ?int $version,
        public int $number,
        public string $quote,
        public array $comments,
        public string $part,
        public ?array $words,
        public ?int $goneSince,
        public ?Spot $spot = null,
    ) {}

    /** The key of what it is about: a part, or a cell as `row/column`. */
    public function key(): string
    {
        return $this->field === '' ? $this->part : "{$this->part}/{$this->field}";
    }

    public function isOpen(): bool
    {
        return $this->settled() === null;
    }

    /** Who settled it last, with what they said; null while it is open. */
    public function settled(): ?CommentSeen
    {
        $last = null;
        foreach ($this->comments as $comment) {
            $last = match ($comment->deed) {
                CommentDeed::Settled => $comment,
                CommentDeed::Reopened => null,
                default => $last,
            };
        }

        return $last;
    }

    public function isNew(): bool
    {
        return array_filter($this->comments, fn (CommentSeen $comment) => $comment->isNew) !== [];
    }

    /** @return list<User> */
    public function people(): array
    {
        $people = [];
        foreach ($this->comments as $comment) {
            $people[$comment->by] = $comment->user;
        }

        return array_values($people);
    }

    /** What it says in one line: the last word of it. */
    public function inOneLine(): string
    {
        foreach (array_reverse($this->comments) as $comment) {
            if (! $comment->isWithdrawn && $comment->text !== '') {
                return Str::limit(Str::squish($comment->text), self::LINE, '…', preserveWords: true);
            }
        }

        return '';
    }

    /** What it is about, in words: “the date”, “words that are gone since 41”. */
    public function about(): string
    {
        $quote = Str::limit(Str::squish($this->quote), self::LINE, '…', preserveWords: true);

        return match (true) {
            $this->version !== null => (string) __('talk.on_version', ['number' => (string) $this->version]),
            $this->began === '' => (string) __('talk.on_all'),
            $this->goneSince !== null => (string) __('talk.on_gone', ['quote' => $quote, 'number' => (string) $this->goneSince]),
            $this->spot !== null => (string) __($quote === '' ? 'talk.on_spot' : 'talk.on_spot_of', ['quote' => $quote]),
            $quote === '' => (string) __('talk.on_part'),
            default => (string) __('talk.on_words', ['quote' => $quote])
                .($this->also === null ? '' : ' '.trans_choice('talk.and_more', count($this->also))),
        };
    }

    /** Where it is in a state; null where its part is not there. */
    public function where(Item $item, PartTree $tree): ?string
    {
        $part = $this->part === '' ? null : $tree->find($this->part);

        return $part === null ? null : $item->kind()->whereabouts($tree, $part);
    }
}
