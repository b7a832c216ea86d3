<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;

/**
 * A change that lies beside an item until somebody says yes to it: two states, between which it is. One that is written like the item
 * itself has a side line, whose newest state is what it is to become; what is answered of it is a proposal of its own from then on.
 *
 * @property int $id
 * @property int $item_id
 * @property int $user_id who proposed it
 * @property string $base hexadecimal, the state that it starts from
 * @property string $root hexadecimal, what that was to become
 * @property ProposalState $state
 * @property CarbonImmutable $proposed_at
 * @property int|null $decider_id
 * @property string|null $word what was said with the answer
 * @property CarbonImmutable|null $decided_at
 * @property CarbonImmutable|null $told_at when who proposed it saw the answer
 * @property int|null $version_id the version that took it in
 * @property int|null $line_id the side line that it was written on
 * @property string|null $said_by the name that a file gave, when it is tracked changes that somebody brought in, or that somebody without
 *     an account gave
 * @property int|null $began the newest version of the item when it was begun on a side line
 * @property int|null $stands the version of the item that it starts from
 * @property int|null $decided the newest version of the item when it was answered
 * @property list<string> $met parts, and `part/field`, that others wrote in after it was proposed
 * @property-read User $user
 * @property-read User|null $decider
 * @property-read Item $item
 * @property-read Item|null $line
 * @property-read Version|null $version
 */
final class Proposal extends Model
{
    public $timestamps = false;

    protected $fillable = [
        'item_id',
        'user_id',
        'base',
        'root',
        'state',
        'proposed_at',
        'decider_id',
        'word',
        'decided_at',
        'told_at',
        'version_id',
        'line_id',
        'began',
        'stands',
        'decided',
        'met',
        'said_by',
    ];

    protected $attributes = ['met' => '[]'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'state' => ProposalState::class,
            'proposed_at' => 'immutable_datetime',
            'decided_at' => 'immutable_datetime',
            'told_at' => 'immutable_datetime',
            'began' => 'integer',
            'stands' => 'integer',
            'decided' => 'integer',
            'met' => 'array',
        ];
    }

    /** @return BelongsTo<Item, $this> */
    public function item(): BelongsTo
    {
        return $this->belongsTo(Item::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<User, $this> */
    public function decider(): BelongsTo
    {
        return $this->belongsTo(User::class, 'decider_id');
    }

    /** @return BelongsTo<Version, $this> that took it in */
    public function version(): BelongsTo
    {
        return $this->belongsTo(Version::class);
    }

    /** @return BelongsTo<Item, $this> */
    public function line(): BelongsTo
    {
        return $this->belongsTo(Item::class, 'line_id')->withoutGlobalScope(Item::MAIN);
    }

    /** The one that is written on a side line; null when all of it was answered. */
    public static function onLine(Item $line): ?self
    {
        return self::query()->waiting()->where('line_id', $line->id)->first();
    }

    /**
     * What its author writes on for an item.
     *
     * @param  string|null  $saidBy  by the name that a file gave
     */
    public static function lineFor(User $person, Item $item, ?string $saidBy = null): ?self
    {
        return self::query()
            ->waiting()
            ->where(['item_id' => $item->id, 'user_id' => $person->id, 'said_by' => $saidBy])
            ->whereNotNull('line_id')
            ->first();
    }

    /** Whose it is, in a word. */
    public function name(): string
    {
        return $this->said_by ?? $this->user->firstName();
    }

    /** Where a name comes from that is not an account's. */
    public function whence(): ?string
    {
        return match (true) {
            $this->said_by === null => null,
            $this->user->isVisitor() => (string) __('proposing.by_link', ['name' => $this->said_by]),
            default => (string) __('proposing.in_file', ['name' => $this->said_by, 'who' => $this->user->firstName()]),
        };
    }

    /** Letters for a name that a file gave, or somebody without an account. */
    public function initials(): string
    {
        return mb_strtoupper(
            implode('', array_map(fn (string $name): string => mb_substr($name, 0, 1), array_slice(explode(' ', $this->name()), 0, 2))),
        );
    }

    /**
     * What was proposed for an item when a version was the newest, as it stood then: for looking at only.
     *
     * @return Collection<int, self>
     */
    public static function stood(Item $item, int $number): Collection
    {
        $stood = DB::table('proposal_states AS s')
            ->join('proposals AS p', 'p.id', '=', 's.proposal_id')
            ->where('p.item_id', $item->id)
            ->where('p.began', '<=', $number)
            ->where('s.number', '<=', $number)
            ->where(fn ($open) => $open->whereNull('p.decided')->orWhere('p.decided', '>', $number))
            ->orderBy('s.number')
            ->get(['s.proposal_id', 's.number', 's.base', 's.root'])
            ->keyBy('proposal_id');

        return self::query()
            ->whereKey($stood->keys())
            ->with('user')
            ->orderBy('id')
            ->get()
            ->each(function (self $proposal) use ($stood): void {
                $then = $stood[$proposal->id] ?? throw new \LogicException('It is one of those that stood');
                $proposal
                    ->forceFill([
                        'stands' => $then->number,
                        'base' => $then->base,
                        'root' => $then->root,
                        'state' => ProposalState::Waiting,
                        'met' => $proposal->stands === (int) $then->number ? $proposal->met : [],
                    ])
                    ->syncOriginal();
            })
            ->filter(fn (self $proposal) => $proposal->base !== $proposal->root)
            ->values();
    }

    /**
     * Its side line was written: it is what that became. Where its author wrote over what met it, that was looked at.
     *
     * @param  list<string>  $touched
     */
    public function wrote(string $root, array $touched): void
    {
        // An empty side line proposes nothing yet: it is told of from its first words on.
        $this->root !== $this->base || $root === $this->base || $this->update(['proposed_at' => now()]);
        $this->standsAt(
            (int) $this->stands,
            $this->base,
            $root,
            array_values(array_diff($this->met, $touched, array_map(fn (string $part) => explode('/', $part)[0], $touched))),
        );
    }

    /**
     * Where it is now, and with which version of the item that was so: looking back shows it as it stood.
     *
     * @param  list<string>  $met
     */
    public function standsAt(int $number, string $base, string $root, array $met): void
    {
        $this->update(['stands' => $number, 'base' => $base, 'root' => $root, 'met' => $met]);
        DB::table('proposal_states')->upsert(
            ['proposal_id' => $this->id, 'number' => $number, 'base' => $base, 'root' => $root],
            ['proposal_id', 'number'],
            ['base', 'root'],
        );
    }

    /**
     * @param  Builder<self>  $query
     * @return Builder<self>
     */
    public function scopeWaiting(Builder $query): Builder
    {
        return $query->where('state', ProposalState::Waiting);
    }

    /** What somebody proposed for an item, and nobody has answered yet. */
    public static function of(User $person, Item $item): ?self
    {
        return self::query()->waiting()->where(['item_id' => $item->id, 'user_id' => $person->id])->orderByDesc('id')->first();
    }
}
