<?php

declare(strict_types=1);

namespace App\View\Proposals;

use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;

/**
 * What was proposed, declined and withdrawn while versions of a range were the newest, for the ribbon and the list. What was accepted is a
 * version itself.
 */
final readonly class ProposedBetween
{
    private const MOST = 500;

    /** @var list<Proposal> in the order in which they were begun */
    private array $all;

    public function __construct(Item $item, private int $from, private int $to)
    {
        $this->all = array_values(
            $item
                ->proposals()
                ->whereColumn('root', '!=', 'base')
                ->where('began', '<=', $to)
                ->where(fn ($in) => $in->where('began', '>=', $from)->orWhere('decided', '>=', $from))
                ->with('user', 'decider', 'version')
                ->orderBy('id')
                ->limit(self::MOST)
                ->get()
                ->all(),
        );
    }

    /**
     * @return array<int, list<array{said: string, user: User, at: CarbonImmutable, of: int}>> by version, in the order in which it happened
     */
    public function byVersion(): array
    {
        $by = $begun = [];
        foreach ($this->all as $proposal) {
            // What was answered bit by bit was begun once.
            if (! isset($begun[(int) $proposal->line_id])) {
                $begun[(int) $proposal->line_id] = true;
                $by[(int) $proposal->began][] = [
                    'said' => (string) __('proposing.line.began', ['who' => $proposal->name()]),
                    'user' => $proposal->user,
                    'at' => $proposal->proposed_at,
                    'of' => $proposal->id,
                ];
            }
            if (in_array($proposal->state, [ProposalState::Declined, ProposalState::Withdrawn], true) && $proposal->decider !== null) {
                $word = $proposal->word === null ? '' : ': '.Str::limit(Str::squish($proposal->word), 120);
                $by[(int) $proposal->decided][] = [
                    'said' => (string) __("proposing.line.{$proposal->state->value}", [
                        'who' => $proposal->decider->firstName(),
                        'whose' => $proposal->name(),
                        'word' => $word,
                    ]),
                    'user' => $proposal->decider,
                    'at' => $proposal->decided_at ?? $proposal->proposed_at,
                    'of' => $proposal->id,
                ];
            }
        }

        return array_intersect_key($by, array_flip(range($this->from, max($this->from, $this->to))));
    }

    /**
     * @return list<array{int, int, int, string, list<int>, int}> the version that was the newest, whose (their id), their colour, what
     *     became of it in words, the versions that took of it in, and a proposal to look at
     */
    public function marks(): array
    {
        $lines = [];
        foreach ($this->all as $proposal) {
            $lines[(int) $proposal->line_id][] = $proposal;
        }

        return array_values(
            array_map(
                fn (array $of): array => [
                    (int) $of[0]->began,
                    $of[0]->user_id,
                    $of[0]->user->colour,
                    implode(' · ', array_unique(array_map(self::became(...), array_slice($of, 0, 4)))),
                    array_values(array_filter(array_map(fn (Proposal $proposal): int => $proposal->version->number ?? 0, $of))),
                    $of[0]->id,
                ],
                $lines,
            ),
        );
    }

    private static function became(Proposal $proposal): string
    {
        return (string) ($proposal->state === ProposalState::Waiting
            ? __('proposing.line.open', ['who' => $proposal->name()])
            : __("proposing.past_line.{$proposal->state->value}", [
                'who' => $proposal->name(),
                'decider' => (string) $proposal->decider?->firstName(),
                'number' => (string) $proposal->version?->number,
            ]));
    }
}
