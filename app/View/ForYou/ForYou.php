<?php

declare(strict_types=1);

namespace App\View\ForYou;

use App\Models\User;
use App\View\Phrases;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * What waits for somebody, over all their shelves: edits of theirs that were held back, wishes and changes that wait for their yes, answers
 * to their own, unusual changes on what they own, restores over what they wrote, and work that failed.
 */
final readonly class ForYou
{
    private Waiting $waiting;

    private NoticeWords $words;

    public function __construct(private User $person, Phrases $phrases)
    {
        $this->waiting = new Waiting($person);
        $this->words = new NoticeWords($person, $phrases);
    }

    /** How many there are: what is beside one's name. */
    public static function count(User $person): int
    {
        return (new Waiting($person))->count();
    }

    /** @return list<Notice> the latest first */
    public function notices(): array
    {
        return self::latestFirst([
            ...$this->each($this->waiting->held()->with('item.shelf', 'user', 'met'), $this->words->held(...)),
            ...$this->each($this->waiting->wishes()->with('item.shelf', 'user', 'version'), $this->words->wish(...)),
            ...$this->each($this->waiting->answers()->with('item.shelf', 'decider', 'version'), $this->words->answer(...)),
            ...array_map($this->words->entries(...), $this->waiting->proposals()),
            ...$this->each($this->waiting->unusual()->with('item.shelf', 'user'), $this->words->unusual(...)),
            ...$this->each($this->waiting->restores()->with('item.shelf', 'user'), $this->words->restored(...)),
            ...$this->each($this->waiting->failed(), $this->words->failed(...)),
            ...$this->said(),
        ]);
    }

    /**
     * @return list<Notice> what was said to them, proposed for what is theirs, and answered of what they proposed, from a moment to before
     *     another: the latest first
     */
    public function between(CarbonImmutable $from, CarbonImmutable $until): array
    {
        return self::latestFirst(array_filter($this->said(), fn (Notice $notice): bool => $notice->at >= $from && $notice->at < $until));
    }

    /** @return list<Notice> what others said to them, by proposals and the answers to these, too */
    private function said(): array
    {
        return [
            ...$this->each($this->waiting->answeredProposals()->with('item.shelf', 'decider'), $this->words->decided(...)),
            ...$this->each($this->waiting->proposed()->with('item.shelf', 'user'), $this->words->proposed(...)),
            ...$this->each($this->waiting->said()->with('thread.item.shelf', 'user'), $this->words->comment(...)),
        ];
    }

    /**
     * @template T of Model
     *
     * @param  Builder<T>  $query
     * @param  \Closure(T): Notice  $said
     * @return list<Notice>
     */
    private function each(Builder $query, \Closure $said): array
    {
        return array_map($said, array_values($query->get()->all()));
    }

    /**
     * @param  array<Notice>  $notices
     * @return list<Notice>
     */
    private static function latestFirst(array $notices): array
    {
        usort($notices, fn (Notice $one, Notice $two): int => $two->at <=> $one->at);

        return $notices;
    }

    /** @return list<stdClass> what was put aside lately */
    public function aside(): array
    {
        $lately = DB::table('put_aside')->where('user_id', $this->person->id)->where('at', '>', now()->subDays(Waiting::DAYS));

        return array_values($lately->orderByDesc('at')->limit(Waiting::MOST)->get()->all());
    }
}
