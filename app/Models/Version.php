<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * @property int $id
 * @property int $item_id
 * @property int $number
 * @property string $root hexadecimal
 * @property string $title what the item was called
 * @property int $user_id
 * @property Cause $cause
 * @property int|null $source the version that was restored
 * @property bool $kept asked for, so that later saves do not grow it
 * @property string|null $note
 * @property array{code: string, values: array<string, string|int>, more: int, of?: string, whose?: string, number?: int, author?: int, by?: list<int>} $facts
 * @property list<array{type: string, part: string, evidence: array<string, string|int|float>}>|null $unusual what of it is worth a look
 * @property int|null $meant_user_id who said that the unusual was meant
 * @property int $added words
 * @property int $removed words
 * @property int|null $with_id the first of versions that were restored together
 * @property int|null $pinned_by who pinned it, so that no rule lets it go
 * @property bool $unkept takes in all that was written while no history was kept
 * @property CarbonImmutable $started_at
 * @property CarbonImmutable $saved_at
 * @property-read User $user
 * @property-read Item $item
 * @property-read Milestone|null $milestone
 * @property-read Collection<int, Publishing> $publishings
 */
final class Version extends Model
{
    public $timestamps = false;

    /** What was proposed instead of a newer version than this. */
    public ?Proposal $proposal = null;

    protected $fillable = [
        'item_id',
        'number',
        'root',
        'title',
        'user_id',
        'cause',
        'source',
        'kept',
        'note',
        'facts',
        'unusual',
        'meant_user_id',
        'added',
        'removed',
        'unkept',
        'started_at',
        'saved_at',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'number' => 'integer',
            'cause' => Cause::class,
            'source' => 'integer',
            'kept' => 'boolean',
            'unkept' => 'boolean',
            'facts' => 'array',
            'unusual' => 'array',
            'added' => 'integer',
            'removed' => 'integer',
            'started_at' => 'immutable_datetime',
            'saved_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Item, $this> */
    public function item(): BelongsTo
    {
        return $this->belongsTo(Item::class)->withoutGlobalScope(Item::MAIN);
    }

    /** @return HasMany<Publishing, $this> */
    public function publishings(): HasMany
    {
        return $this->hasMany(Publishing::class)->orderBy('id');
    }

    /** What an item would become, which is not there. */
    public static function toCome(Item $item, string $root, string $title, User $editor): self
    {
        $version = new self([
            'item_id' => $item->id,
            'number' => $item->head + 1,
            'root' => $root,
            'title' => $title,
            'user_id' => $editor->id,
            'cause' => Cause::Restored,
            'facts' => [],
            'added' => 0,
            'removed' => 0,
            'started_at' => now(),
            'saved_at' => now(),
        ]);

        return $version->setRelations(['item' => $item, 'user' => $editor, 'milestone' => null]);
    }

    /**
     * What is unusual, not said to be meant, and not gone with a later restore.
     *
     * @param  Builder<Version>  $query
     */
    public function scopeUnanswered(Builder $query): void
    {
        $query->whereNotNull('unusual')->whereNull('meant_user_id')->whereNotExists(
            fn ($later) => $later
                ->from('versions AS later')
                ->whereColumn('later.item_id', 'versions.item_id')
                ->whereColumn('later.number', '>', 'versions.number')
                ->whereColumn('later.source', '<', 'versions.number'),
        );
    }

    /**
     * Versions of several items, by their numbers.
     *
     * @param  Builder<self>  $query
     * @param  list<array{int, int}>  $numbers  item and number
     */
    public function scopeNumbered(Builder $query, array $numbers): void
    {
        $query->whereRaw('(item_id, number) IN (SELECT value ->> 0, value ->> 1 FROM json_each(?))', [json_encode($numbers)]);
    }

    /**
     * Whether the one before it can become the newest again at a press: it went against the run of the history, or somebody accepted it.
     */
    public function canBeTakenBack(): bool
    {
        return $this->cause->canBeTakenBack() || isset($this->facts['whose']);
    }

    /** Whether something points at it, so that it has to stay as it is. */
    public function isHeldOnTo(): bool
    {
        return $this->pinned_by !== null
            || $this->milestone()->exists()
            || $this->publishings()->exists()
            || Thread::query()
                ->where(['item_id' => $this->item_id, 'number' => $this->number])
                ->exists()
            || Item::query()->where('copied_from', $this->id)->exists();
    }

    public function waitsFor(Proposal $proposal): self
    {
        $this->proposal = $proposal;

        return $this;
    }

    /** @return HasMany<Proposal, $this> that it took in */
    public function accepted(): HasMany
    {
        return $this->hasMany(Proposal::class)->orderBy('id');
    }

    /** @return HasOne<Milestone, $this> */
    public function milestone(): HasOne
    {
        return $this->hasOne(Milestone::class);
    }
}
