<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;

/**
 * @property int $id
 * @property string $key
 * @property int $shelf_id
 * @property string $kind
 * @property string $title
 * @property int $head the number of the newest version
 * @property bool $is_read whether its texts are found
 * @property int $talked the line that was said last about it
 * @property int $gone how many of its versions are no longer kept
 * @property string $root the address of the newest state, in hexadecimal
 * @property bool $formulas whether there may be formulas in it
 * @property int|null $copied_from
 * @property CarbonImmutable $changed_at
 * @property int|null $live_id the publishing that readers see
 * @property string|null $address where the public reads it; stays the same for good
 * @property bool $is_public whether it may be read there
 * @property-read Publishing|null $live
 * @property-read Shelf $shelf
 * @property CarbonImmutable|null $created_at
 * @property int|null $form_id the form that an entry answers
 * @property int|null $line_of the item that this is a side line of: what somebody proposes for it is written here
 * @property int|null $number of an entry among those of its form
 * @property string|null $token by which who sent an entry finds it again
 * @property CarbonImmutable|null $deleted_at since when it is in Lost & found; of an entry, since when it is taken away
 * @property int|null $deleted_by who deleted it
 * @property-read User|null $deleter
 * @property int|null $source_id the item that a dataset is filled from
 * @property string|null $source_tab of that, when it is a spreadsheet
 * @property int|null $source_number the version of it that the dataset stays with; null when it follows
 * @property string|null $source_state the newest version, by its id, of all that the source consists of, when something was taken in last
 * @property string|null $source_grew the step that was taken in last, as `entry/version/version of the dataset`
 * @property bool $pins whether a published report keeps the data that it was published with
 * @property-read Item|null $source
 * @property bool $keeps_entries whether a form keeps the history of its entries
 * @property-read Item|null $form
 * @property-read Item|null $main
 * @property-read Publishing|null $asked
 * @property-read Version|null $origin
 */
final class Item extends Model
{
    /** The scope that leaves side lines out. */
    public const MAIN = 'main';

    /** What a group of routes says that are there for side lines, too. */
    public const LINES = 'lines';

    /** What the person who asks sees of it; null for everything. */
    public ?Sight $sight = null;

    protected $fillable = [
        'key',
        'shelf_id',
        'kind',
        'title',
        'head',
        'root',
        'formulas',
        'copied_from',
        'changed_at',
        'live_id',
        'address',
        'is_public',
        'form_id',
        'number',
        'asked_id',
        'token',
        'deleted_at',
        'deleted_by',
        'keeps_entries',
        'source_id',
        'source_tab',
        'source_number',
        'source_state',
        'source_grew',
        'pins',
        'is_read',
        'talked',
        'line_of',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'head' => 'integer',
            'gone' => 'integer',
            'is_read' => 'boolean',
            'formulas' => 'boolean',
            'is_public' => 'boolean',
            'keeps_entries' => 'boolean',
            'pins' => 'boolean',
            'source_number' => 'integer',
            'changed_at' => 'immutable_datetime',
            'deleted_at' => 'immutable_datetime',
        ];
    }

    /** Side lines are none of the items that anybody looks for: whoever wants one says so. */
    protected static function booted(): void
    {
        self::addGlobalScope(self::MAIN, fn (Builder $items) => $items->whereNull('items.line_of'));
    }

    /** Whether its shelf keeps a history of such items. That of entries is switched at their form. */
    public function keepsHistory(): bool
    {
        return $this->form_id !== null || ! in_array($this->kind, $this->loadMissing('shelf')->shelf->unkept_kinds, true);
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return BelongsTo<self, $this> what this is a side line of */
    public function main(): BelongsTo
    {
        return $this->belongsTo(self::class, 'line_of');
    }

    /** @return HasMany<self, $this> side lines of it */
    public function lines(): HasMany
    {
        return $this->hasMany(self::class, 'line_of')->withoutGlobalScope(self::MAIN);
    }

    public function isLine(): bool
    {
        return $this->line_of !== null;
    }

    /** @return HasMany<Proposal, $this> what was proposed on side lines of it */
    public function proposals(): HasMany
    {
        return $this->hasMany(Proposal::class)->whereNotNull('line_id');
    }

    /** @return BelongsTo<Shelf, $this> */
    public function shelf(): BelongsTo
    {
        return $this->belongsTo(Shelf::class);
    }

    /** @return HasMany<Version, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(Version::class);
    }

    /** @return HasOne<Version, $this> */
    public function newest(): HasOne
    {
        return $this->hasOne(Version::class)
            ->join('items', fn ($join) => $join->on('items.id', '=', 'versions.item_id')->on('items.head', '=', 'versions.number'))
            ->select('versions.*');
    }

    /** @return HasOne<Version, $this> */
    public function first(): HasOne
    {
        return $this->hasOne(Version::class)->where('number', 1);
    }

    /** @return BelongsTo<self, $this> the form that an entry answers */
    public function form(): BelongsTo
    {
        return $this->belongsTo(self::class);
    }

    /** @return BelongsTo<User, $this> who deleted it */
    public function deleter(): BelongsTo
    {
        return $this->belongsTo(User::class, 'deleted_by');
    }

    /** @return BelongsTo<self, $this> what a dataset is filled from */
    public function source(): BelongsTo
    {
        return $this->belongsTo(self::class);
    }

    /** Whether its records come from another item, as they are there now. */
    public function follows(): bool
    {
        return $this->source_id !== null && $this->source_number === null;
    }

    /** @return HasMany<self, $this> of a form */
    public function entries(): HasMany
    {
        return $this->hasMany(self::class, 'form_id');
    }

    /** @return BelongsTo<Publishing, $this> the publishing of the form that was live when it was answered */
    public function asked(): BelongsTo
    {
        return $this->belongsTo(Publishing::class);
    }

    /** What it was copied out from, by the name that this had for who copied it. */
    public function originTitle(): string
    {
        $name = $this->versions()->where('number', 1)->first()->facts['of'] ?? null;

        return is_string($name) ? $name : (string) $this->origin?->item->title;
    }

    /** @return BelongsTo<Version, $this> the version that this item was copied out from */
    public function origin(): BelongsTo
    {
        return $this->belongsTo(Version::class, 'copied_from');
    }

    /** @return BelongsTo<Publishing, $this> what readers see now */
    public function live(): BelongsTo
    {
        return $this->belongsTo(Publishing::class, 'live_id');
    }

    /**
     * Whether it is where it belongs: what was deleted, with its form or its shelf, too, is looked at and brought back, and nothing else.
     */
    public function isStanding(): bool
    {
        return $this->lostWith() === null;
    }

    /** What was deleted that it can't be worked with: itself, the form that it answers, or its shelf; null when nothing was. */
    public function lostWith(): self|Shelf|null
    {
        // Items of a list come without these.
        $this->loadMissing($this->form_id === null ? ['shelf'] : ['shelf', 'form']);

        return match (true) {
            $this->isLine() => $this->loadMissing('main')->main?->lostWith(),
            $this->deleted_at !== null => $this,
            $this->form_id !== null && $this->form?->deleted_at !== null => $this->form,
            default => $this->shelf->deleted_at === null ? null : $this->shelf,
        };
    }

    /**
     * Those that were not deleted, alone or with their shelf.
     *
     * @param  Builder<self>  $query
     */
    public function scopeStanding(Builder $query): void
    {
        $query->whereNull('items.deleted_at')->whereNotIn('items.shelf_id', Shelf::query()->whereNotNull('deleted_at')->select('id'));
    }

    /**
     * What everybody reads who has its address.
     *
     * @param  Builder<self>  $query
     */
    public function scopePublic(Builder $query, string $address): void
    {
        $query->where(['address' => $address, 'is_public' => true])->whereNotNull('live_id')->standing();
    }

    /** @return HasMany<Removal, $this> when it was taken away and brought back */
    public function removals(): HasMany
    {
        return $this->hasMany(Removal::class);
    }

    /** @return HasMany<Publishing, $this> */
    public function publishings(): HasMany
    {
        return $this->hasMany(Publishing::class);
    }

    /** The item that its pictures are kept with. */
    public function pictured(): int
    {
        return $this->form_id ?? $this->line_of ?? $this->id;
    }

    public function kind(): Kind
    {
        return Kinds::named($this->kind);
    }

    /** Whether others see a published version of it while editors go on with a draft. */
    public function isPublishable(): bool
    {
        return $this->kind()->isPublishable();
    }

    /** Whether people answer it, each with an entry of their own. */
    public function isAnswered(): bool
    {
        return $this->kind()->isAnswered();
    }

    /** How many of its versions are kept. */
    public function kept(): int
    {
        return $this->head - $this->gone;
    }

    /** The version that somebody sees before another one, of those that are kept; itself for the first. */
    public function before(int $number): int
    {
        return $this->sight === null
            ? (int) ($this->versions()->where('number', '<', $number)->max('number') ?? $number)
            : $this->sight->before($number);
    }

    /** From where a look at one version goes: what is no longer kept leads to what is. */
    public function lookFrom(int $number): int
    {
        return $this->sight === null ? max(1, $number - 1) : $this->sight->before($number);
    }

    /** What stood before a version, as far as it is kept. */
    public function rootBefore(int $number): ?string
    {
        $root = $this->versions()->where('number', '<', $number)->orderByDesc('number')->value('root');

        return is_string($root) ? $root : null;
    }

    /** Somebody who may not see drafts meets the item as it is published, whatever they ask for; else it is not there. */
    public function resolveRouteBinding($value, $field = null): ?self
    {
        $item = parent::resolveRouteBinding($value, $field) ?? self::line((string) $value);
        $user = Auth::user();

        return $item instanceof self && $user instanceof User ? Sight::of($user, $item)->item($item) : null;
    }

    /** A side line, where the route takes one; what else is looked at leads to the item that it is one of. */
    private static function line(string $key): ?self
    {
        $line = self::withoutGlobalScope(self::MAIN)->where('key', $key)->whereNotNull('line_of')->first();
        $route = request()->route();
        if ($line === null || ! $route instanceof Route || $route->getAction(self::LINES) === true) {
            return $line;
        }
        $main = $line->main;
        if ($main === null || ! request()->isMethod('get') || Gate::denies('talk', $main)) {
            return null;
        }

        throw new HttpResponseException(redirect()->route((string) $route->getName(), [...$route->parameters(), 'item' => $main]));
    }

    /**
     * What its kind has of its own: see {@see Rooms}.
     *
     * @template T of object
     *
     * @param  class-string<T>  $plain
     * @return T
     */
    public function room(string $plain): object
    {
        return Rooms::of($this->kind, $plain);
    }

    /** Whether its rows are in tabs, which can be taken one by one. */
    public function hasTabs(): bool
    {
        $grid = $this->kind()->grid();

        return $grid !== null && ! $grid->isOneTable;
    }

    /** @return HasMany<HeldEdit, $this> */
    public function heldEdits(): HasMany
    {
        return $this->hasMany(HeldEdit::class);
    }

    /** @return HasMany<Picture, $this> */
    public function pictures(): HasMany
    {
        return $this->isLine() ? $this->hasMany(Picture::class, 'item_id', 'line_of') : $this->hasMany(Picture::class);
    }
}
