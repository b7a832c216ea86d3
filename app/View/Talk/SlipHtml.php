<?php

declare(strict_types=1);

namespace App\View\Talk;

use App\Models\CommentDeed;
use App\Models\Item;
use App\Models\User;
use App\Words\Clock;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Support\HtmlString;
use MistyAttic\Core\Content\PartTree;

/**
 * Threads as slips. There may be thousands of comments on a page, so their HTML is put together here; all that somebody wrote is escaped.
 */
final class SlipHtml
{
    private readonly CommentText $text;

    private readonly string $talk;

    /** @var array<string, string> */
    private array $words = [];

    /** @var array<int, array{string, string, int}> person => their sign, their first name and their colour, to be put in */
    private array $people = [];

    /**
     * @param  list<string>  $names  of the people on the shelf
     * @param  int|null  $since  the earlier of two versions: what came after it is new
     * @param  Closure(ThreadSeen): string|null  $looks  where a thread is seen in its place
     * @param  PartTree|null  $tree  the state that they lie in: where a part is not shown by itself, they lie below what it is in
     */
    public function __construct(
        private readonly Item $item,
        array $names,
        private readonly bool $mayComment,
        private readonly ?int $since,
        private readonly int $me,
        private readonly ?Closure $looks = null,
        private readonly ?PartTree $tree = null,
    ) {
        $this->text = new CommentText($item, $names);
        $this->talk = route('talk', $item);
    }

    public function of(ThreadSeen $seen): HtmlString
    {
        $key = $seen->slug;
        [$sign, $name, $colour] = $this->person($seen->comments[0]);
        $about = e($seen->about());
        $settled = $seen->settled();
        $classes = "slip by-{$colour}".($settled !== null ? ' is-settled' : '').($seen->isNew() ? ' is-new' : '');
        $words = $seen->words === null ? '' : " data-words=\"{$seen->words[0]},{$seen->words[1]}\"";
        $words .= $seen->spot === null ? '' : " data-spot=\"{$seen->spot->across},{$seen->spot->down},{$seen->spot->chunk}\"";
        $said = implode(
            '',
            array_map(
                fn (CommentSeen $comment, int $at): string => $this->comment($seen, $comment, $at === 0 ? $about : null),
                $seen->comments,
                array_keys($seen->comments),
            ),
        );
        if ($settled !== null) {
            $people = implode(', ', array_map(fn (User $person) => $person->firstName(), array_slice($seen->people(), 0, 3)));
            $line = $seen->inOneLine();
            $said = "<details><summary>{$sign} <b>"
            .e($people)
            .'</b> <small>'
            .$this->said('settled', $settled->number)
            .($line === '' ? '' : e(": “{$line}”"))
            ."</small></summary>{$said}</details>";
        }

        return new HtmlString(
            "<article id=\"thread-{$key}\" class=\"{$classes}\" data-slip=\"{$key}\" data-of=\""
                .e($seen->key())
                ."\"{$this->above($seen)}{$words} aria-label=\"{$name} {$about}\">{$said}{$this->does($seen, $settled !== null)}</article>",
        );
    }

    private function above(ThreadSeen $seen): string
    {
        $above = [];
        for ($id = $seen->part; $this->tree?->has($id) === true && ($id = $this->tree->parent($id)) !== PartTree::ROOT;) {
            $above[] = $id;
        }

        return $above === [] ? '' : ' data-above="'.e(implode(' ', $above)).'"';
    }

    /** What can be done with it: links, which lead to a page with its forms where no script puts these in place. */
    private function does(ThreadSeen $seen, bool $isSettled): string
    {
        $links = [];
        if ($this->mayComment) {
            $links[] = $this->link($seen, CommentDeed::Said, 'answer');
            $links[] = $isSettled
                ? $this->link($seen, CommentDeed::Reopened, 'reopen')
                : $this->link($seen, CommentDeed::Settled, 'settle');
        }
        if ($this->looks !== null) {
            $links[] = '<a href="'.e(($this->looks)($seen)).'">'.$this->said('look').'</a>';
        }
        if ($seen->field !== '' && $this->item->hasTabs()) {
            $links[] = '<a href="'.e(route('item', [$this->item, 'at' => $seen->key()])).'">'.$this->said('go').'</a>';
        }

        return $links === [] ? '' : '<div class="slip-do">'.implode('', $links).'</div>';
    }

    private function link(ThreadSeen $seen, CommentDeed $deed, string $said, ?int $of = null): string
    {
        $key = $seen->slug;

        return "<a href=\"{$this->talk}?show=all&amp;thread={$key}#thread-{$key}\" data-talk-do=\"{$deed->value}\""
            .($of === null ? '' : " data-talk-of=\"{$of}\"")
            .' role="button">'
            .$this->said($said)
            .'</a>';
    }

    private function comment(ThreadSeen $seen, CommentSeen $comment, ?string $about): string
    {
        [$sign, $name] = $this->person($comment);
        $when = '<time datetime="'
        .gmdate('Y-m-d\TH:i:s\Z', $comment->at)
        .'" data-when="near">'
        .Clock::exact(CarbonImmutable::createFromTimestamp($comment->at))
        .'</time>';
        $new = $comment->isNew ? ' <i>'.$this->said('new', (int) $this->since).'</i>' : '';
        $text = match (true) {
            $comment->isWithdrawn => '<p class="slip-text is-withdrawn">'.$this->said('withdrawn').'</p>',
            $comment->text === '' => '',
            default => "<div class=\"slip-text\">{$this->text->html($comment->text)}</div>",
        };
        $isOwn = $this->mayComment && $comment->by === $this->me && ! $comment->isWithdrawn && $comment->deed === CommentDeed::Said;
        $own = ! $isOwn
            ? ''
            : "<p class=\"slip-own\">{$this->link($seen, CommentDeed::Edited, 'edit', $comment->id)}{$this->link(
                $seen,
                CommentDeed::Withdrew,
                'withdraw',
                $comment->id,
            )}</p>";

        return '<div class="slip-said'
            .($comment->isNew ? ' is-new' : '')
            .'"'
            .($isOwn ? ' data-text="'.e($comment->text).'"' : '')
            .">{$sign}<p class=\"slip-who\"><b>{$name}</b> <small>{$this->deed($comment, $about)}{$when}, "
            .$this->said('about_number', (int) $comment->number)
            ."{$new}</small></p>{$text}{$this->before($comment)}{$own}</div>";
    }

    private function deed(CommentSeen $comment, ?string $about): string
    {
        return match (true) {
            $about !== null => "{$about}, ",
            $comment->deed === CommentDeed::Settled => $this->said('settled_it').', ',
            $comment->deed === CommentDeed::Reopened => $this->said('reopened_it').', ',
            default => '',
        };
    }

    /** What it said before it was reworded. */
    private function before(CommentSeen $comment): string
    {
        return $comment->before === []
            ? ''
            : '<details class="slip-before"><summary>'
                .$this->said('edited')
                .'</summary>'
                .implode('', array_map(fn (string $text): string => "<div class=\"slip-text\">{$this->text->html($text)}</div>", $comment->before))
                .'</details>';
    }

    /** Words of the place, escaped; there are few of them, and they are said often. */
    private function said(string $word, int $number = 0): string
    {
        return $this->words["{$word} {$number}"] ??= e(__("talk.{$word}", ['number' => (string) $number]));
    }

    /** @return array{string, string, int} */
    private function person(CommentSeen $comment): array
    {
        $user = $comment->user;

        return $this->people[$comment->by] ??= [
            "<span class=\"monogram by-{$user->colour}\" title=\""
            .e($user->name)
            .'" aria-hidden="true">'
            .e($user->monogram())
            .'</span>',
            e($user->firstName()),
            $user->colour,
        ];
    }
}
