<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Database\Factories\ShelfFactory;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $key
 * @property string $name
 * @property bool $editors_restore
 * @property bool $viewers_comment whether those who only look may say something about what they see
 * @property bool $viewers_propose whether those who only look may propose changes
 * @property bool $asks whether publishing needs somebody else's yes
 * @property bool $asks_entries whether changes to entries need somebody else's yes
 * @property Drafts $drafts who sees drafts of what is published
 * @property string $about what it is for, as its owners say
 * @property CarbonImmutable|null $archived_at since when it is only looked at
 * @property CarbonImmutable|null $deleted_at since when it is in Lost & found
 * @property int|null $lost_days after how many days what was deleted goes for good; null for never
 * @property list<string> $unkept_kinds kinds of which no history is kept
 * @property-read User|null $deleter
 */
final class Shelf extends Model
{
    /** @use HasFactory<ShelfFactory> */
    use HasFactory;

    protected $fillable = [
        'key',
        'name',
        'editors_restore',
        'asks',
        'asks_entries',
        'drafts',
        'about',
        'archived_at',
        'deleted_at',
        'deleted_by',
        'lost_days',
        'viewers_comment',
        'viewers_propose',
        'unkept_kinds',
    ];

    protected $attributes = [
        'asks' => false,
        'asks_entries' => false,
        'drafts' => 'editors',
        'editors_restore' => true,
        'viewers_comment' => false,
        'viewers_propose' => false,
        'unkept_kinds' => '[]',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'editors_restore' => 'boolean',
            'viewers_comment' => 'boolean',
            'viewers_propose' => 'boolean',
            'asks' => 'boolean',
            'asks_entries' => 'boolean',
            'drafts' => Drafts::class,
            'archived_at' => 'immutable_datetime',
            'deleted_at' => 'immutable_datetime',
            'lost_days' => 'integer',
            'unkept_kinds' => 'array',
        ];
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return HasMany<Item, $this> what is on it; entries are with their form */
    public function items(): HasMany
    {
        return $this->hasMany(Item::class)->whereNull('form_id')->whereNull('deleted_at');
    }

    /** @return HasMany<Item, $this> what was deleted; entries are found with their form */
    public function lost(): HasMany
    {
        return $this->hasMany(Item::class)->whereNull('form_id')->whereNotNull('deleted_at');
    }

    /** @return BelongsTo<User, $this> who deleted it */
    public function deleter(): BelongsTo
    {
        return $this->belongsTo(User::class, 'deleted_by');
    }

    /** @return HasMany<Membership, $this> */
    public function memberships(): HasMany
    {
        return $this->hasMany(Membership::class);
    }

    /** @return HasMany<Invitation, $this> */
    public function invitations(): HasMany
    {
        return $this->hasMany(Invitation::class);
    }

    public function roleOf(User $user): ?Role
    {
        return $this->membershipOf($user)?->role;
    }

    /** Owners always may publish; others when an owner says so. */
    public function letsPublish(User $user): bool
    {
        $membership = $this->membershipOf($user);

        return $membership !== null && ($membership->publishes || $membership->role === Role::Owner);
    }

    public function othersLetPublish(User $user): bool
    {
        return $this->loadMissing('memberships.user')->memberships->contains(
            fn (Membership $other) => $other->user_id !== $user->id && $other->saysYes(),
        );
    }

    /** Whether somebody on it sees drafts of what is published. */
    public function showsDraftsTo(User $user): bool
    {
        $role = $this->roleOf($user);

        return $role !== null
            && ($role->atLeast(Role::Editor)
                || $this->drafts === Drafts::Everyone
                || ($this->drafts === Drafts::Approvers && $this->letsPublish($user)));
    }

    /** Whether a change of an entry by somebody needs somebody else's yes. */
    public function wantsYesOf(User $user, Item $entry): bool
    {
        return $this->asks_entries && $entry->form_id !== null && (! $this->letsPublish($user) || $this->othersLetPublish($user));
    }

    private function membershipOf(User $user): ?Membership
    {
        return $this->memberships->firstWhere('user_id', $user->id);
    }
}
