<?php

declare(strict_types=1);

namespace App\View\Talk;

use App\Models\CommentDeed;
use App\Models\Item;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** What was said while which version was the newest, in lines: for the list of versions and the ribbon. */
final readonly class SaidBetween
{
    private const MOST = 2_000;

    private const LETTERS = 90;

    /** @var list<array{number: int, user: User, said: string, thread: string, at: CarbonImmutable}> in the order in which it was said */
    public array $lines;

    public function __construct(Item $item, int $from, int $to)
    {
        $rows = self::rows($item, $from, $to);
        $people = User::query()
            ->whereIn('id', $rows->pluck('user_id')->unique())
            ->get()
            ->keyBy('id');
        $lines = [];
        foreach ($rows->reverse() as $row) {
            $user = $people->get((int) $row->user_id);
            if ($user !== null) {
                $lines[] = [
                    'number' => (int) $row->number,
                    'user' => $user,
                    'said' => self::said($user, $row),
                    'thread' => (string) $row->key,
                    'at' => CarbonImmutable::parse((string) $row->at),
                ];
            }
        }
        $this->lines = $lines;
    }

    /** @return Collection<int, \stdClass> what was not withdrawn, the latest first */
    private static function rows(Item $item, int $from, int $to): Collection
    {
        return DB::table('comments')
            ->join('threads', 'threads.id', '=', 'comments.thread_id')
            ->where('threads.item_id', $item->id)
            ->whereBetween('comments.number', [$from, $to])
            ->whereIn('comments.deed', [CommentDeed::Said->value, CommentDeed::Settled->value, CommentDeed::Reopened->value])
            ->whereNotExists(
                fn ($withdrawn) => $withdrawn
                    ->from('comments AS later')
                    ->whereColumn('later.of_id', 'comments.id')
                    ->where('later.deed', CommentDeed::Withdrew->value),
            )
            ->orderByDesc('comments.id')
            ->limit(self::MOST)
            ->get([
                'comments.id',
                'comments.number',
                'comments.user_id',
                'comments.deed',
                'comments.text',
                'comments.at',
                'threads.key',
                'threads.quote',
                'threads.version',
            ]);
    }

    private static function said(User $user, \stdClass $row): string
    {
        $short = fn (string $text): string => Str::limit(Str::squish($text), self::LETTERS, '…', preserveWords: true);
        [$quote, $text] = [$short((string) $row->quote), $short((string) $row->text)];
        $deed = CommentDeed::from((string) $row->deed);

        return (string) __("talk.line.{$deed->value}", [
            'who' => $user->firstName(),
            'about' => $quote === ''
                ? ($row->version === null
                    ? ''
                    : ' '.__('talk.on_version', ['number' => (string) $row->version]))
                : " on “{$quote}”",
            'text' => $text === '' ? '' : ": {$text}",
        ]);
    }

    /** @return array<int, list<array{number: int, user: User, said: string, thread: string, at: CarbonImmutable}>> */
    public function byVersion(): array
    {
        $by = [];
        foreach ($this->lines as $line) {
            $by[$line['number']][] = $line;
        }

        return $by;
    }

    /** @return list<array{int, int, int, string}> version, whose (their id), their colour, and what they said meanwhile */
    public function marks(): array
    {
        $marks = [];
        foreach ($this->lines as $line) {
            $marks["{$line['number']} {$line['user']->id}"][] = $line;
        }

        return array_values(
            array_map(
                fn (array $of): array => [
                    $of[0]['number'],
                    $of[0]['user']->id,
                    $of[0]['user']->colour,
                    implode(' · ', array_map(fn (array $line): string => $line['said'], array_slice($of, 0, 3)))
                    .(count($of) > 3 ? ' …' : ''),
                ],
                $marks,
            ),
        );
    }
}
