<?php

declare(strict_types=1);

namespace App\Talk;

use App\Models\CommentDeed;
use App\Models\Item;
use App\Models\Thread;
use App\Models\User;
use App\Store\Lives\Lives;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Talk\WordsFollowed;

/** Begins to talk about something in the newest state of an item, or about a version. */
final readonly class BeginThread
{
    /** Letters of a quote that are kept. */
    private const QUOTE = 300;

    /** Parts that a table begins with, its columns among them. */
    private const HEADS = 300;

    public function __construct(private States $states, private Lives $lives, private AddComment $add) {}

    /** @return Thread|null null when the part is not there any more */
    public function handle(Item $item, User $author, About $about, string $text): ?Thread
    {
        return DB::transaction(function () use ($item, $author, $about, $text): ?Thread {
            $item->refresh();
            [$is, $quote, $place, $chunk] = $about->part === '' ? [true, '', null, ''] : $this->stands($item, $about);
            if (! $is) {
                return null;
            }
            $thread = Thread::query()->create([
                'key' => Str::lower(Str::random(12)),
                'item_id' => $item->id,
                'user_id' => $author->id,
                'part' => $about->part,
                'field' => $about->field,
                'also' => $about->also === [] ? null : $about->also,
                'version' => $about->part === '' ? $about->version : null,
                'number' => $item->head,
                'quote' => Str::limit($quote, self::QUOTE, '…'),
                'is_open' => true,
                'at' => now(),
                'spot'
                    => $about->spot === null || $chunk === '' ? null : (new Spot($about->spot->across, $about->spot->down, $chunk))->toJson(),
            ]);
            $place === null
                || DB::table('thread_places')->insert([
                    'thread_id' => $thread->id,
                    'number' => $item->head,
                    'item_id' => $item->id,
                    'part' => $about->part,
                    'from_at' => $place[0],
                    'to_at' => $place[1],
                    'words' => $quote,
                ]);
            $this->add->handle($thread->setRelation('item', $item), $author, CommentDeed::Said, $text);

            return $thread;
        });
    }

    /**
     * @return array{bool, string, array{int, int}|null, string} whether it is there, what is there, where the words are, and which picture
     *     it is
     */
    private function stands(Item $item, About $about): array
    {
        $kind = $item->kind();
        if ($kind->grid() !== null && $item->is_read) {
            // Of a large table nothing but the cell is read.
            $lives = $this->lives->there($item, $about->part);
            if ($about->field === '' ? $lives !== [] : isset($lives[$about->field])) {
                return [true, $about->field === '' ? $this->called($item, $about->part, $lives) : $lives[$about->field], null, ''];
            }
        }
        $tree = $this->states->tree($item->root);
        $part = $tree->find($about->part);
        if ($part === null) {
            // Seen in an earlier version, and gone since: the thread waits, and comes back with it.
            $then = $about->version === null ? null : $item->versions()->where('number', $about->version)->value('root');
            $tree = is_string($then) ? $this->states->tree($then) : PartTree::of([]);
            $was = $tree->find($about->part);

            return [
                $was !== null,
                $was === null ? '' : $about->words[2] ?? self::quote($kind, $tree, $was, $about->field),
                null,
                $was?->string('chunk') ?? '',
            ];
        }

        return [
            true,
            ...$about->words === null ? [self::quote($kind, $tree, $part, $about->field), null] : $this->words($part, $about->words),
            $part->string('chunk'),
        ];
    }

    /**
     * What a column of a large table is called, by the parts that it begins with; or the first that a row holds.
     *
     * @param  array<string, string>  $lives  texts of the part, by field
     */
    private function called(Item $item, string $part, array $lives): string
    {
        $heads = PartTree::of($this->states->window($item->root, 0, self::HEADS));
        if ($heads->has($part)) {
            return self::quote($item->kind(), $heads, $heads->get($part), '');
        }
        foreach ($heads->parts as $head) {
            if (($lives[$head->id] ?? '') !== '') {
                return $lives[$head->id];
            }
        }

        return '';
    }

    /** What is in a cell, or what a part is called. */
    private static function quote(Kind $kind, PartTree $tree, Part $part, string $field): string
    {
        return $field === '' ? $kind->label($tree, $part) : (string) ($kind->texts($part)[$field] ?? '');
    }

    /**
     * @param  array{int, int, string}  $words
     * @return array{string, array{int, int}|null}
     */
    private function words(Part $part, array $words): array
    {
        $text = $part->richText()->text();
        [$from, $to, $said] = $words;
        // Somebody may have written before them meanwhile.
        [$from, $to] = mb_substr($text, $from, $to - $from) === $said ? [$from, $to] : WordsFollowed::find($said, $text, $from) ?? [0, 0];
        $place = $from < $to ? (new WordsFollowed(new Words))->whole($text, $from, $to) : null;

        return $place === null ? [$said, null] : [mb_substr($text, $place[0], $place[1] - $place[0]), $place];
    }
}
