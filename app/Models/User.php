<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Database\Factories\UserFactory;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Casts\Attribute;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Str;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property bool $proved whether it is known that the address is theirs
 * @property CarbonImmutable|null $left_at since when they are let in no more
 * @property string|null $feed_key by which programs follow what they may see
 * @property string|null $second_key by which their device makes codes (base 32)
 * @property list<string> $recovery hashes of the codes that they wrote down
 * @property string $mails `daily` or `none`
 * @property string $look `day`, `night`, or '' for as the device has it
 * @property string $zone that they read times in (a name of the IANA database), or '' for that of the device
 * @property string $numbers how they write numbers: `comma` or `space`, or '' for as the place does
 * @property string $dates how they write dates: `month`, `year` or `points`, or '' for as the place does
 * @property bool $keeps_place whether they keep the whole place: its outbox
 * @property int $colour 1 to 12, the same everywhere; 0 for whoever has no account
 */
final class User extends Authenticatable
{
    /** @use HasFactory<UserFactory> */
    use HasFactory;

    public const COLOURS = 12;

    private const VISITOR = 'visitor@nowhere.invalid';

    private const PLACE = 'place@nowhere.invalid';

    /** @var list<self> of whom one did it, and it is not known any more which */
    public array $oneOf = [];

    protected $fillable = ['name', 'email', 'password', 'colour', 'proved', 'keeps_place', 'look', 'zone', 'numbers', 'dates', 'mails'];

    protected $attributes = [
        'proved' => true,
        'keeps_place' => false,
        'look' => '',
        'zone' => '',
        'numbers' => '',
        'dates' => '',
        'left_at' => null,
        'feed_key' => null,
        'second_key' => null,
        'recovery' => '[]',
        'mails' => 'daily',
    ];

    protected $hidden = ['password', 'remember_token', 'second_key', 'recovery'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'password' => 'hashed',
            'left_at' => 'immutable_datetime',
            'proved' => 'boolean',
            'keeps_place' => 'boolean',
            'second_key' => 'encrypted',
            'recovery' => 'array',
        ];
    }

    /**
     * Those who can sign in, or could.
     *
     * @param  Builder<self>  $query
     */
    public function scopePeople(Builder $query): void
    {
        $query->whereNotIn('email', [self::VISITOR, self::PLACE]);
    }

    /** People of whom one did something, and nobody knows any more which: “Ines or Tobi”. */
    public static function anyOf(self ...$people): self
    {
        $one = new self(['name' => implode(' or ', array_map(fn (self $person) => $person->name, $people)), 'colour' => 0]);
        $one->oneOf = array_values($people);

        return $one;
    }

    /** @return BelongsToMany<Shelf, $this> those that are in use, in the order that this person gave them; those that are put away last */
    public function shelves(): BelongsToMany
    {
        return $this->belongsToMany(Shelf::class, 'memberships')
            ->whereNull('shelves.deleted_at')
            ->orderByRaw('shelves.archived_at IS NOT NULL')
            ->orderBy('memberships.place')
            ->orderBy('shelves.id');
    }

    /** In whose name the place does by itself what its people told it to do; nobody can sign in as that. */
    public static function place(): self
    {
        return self::query()->firstOrCreate(
            ['email' => self::PLACE],
            ['name' => __('keeping.place'), 'password' => Str::random(60), 'colour' => 1],
        );
    }

    /** Whoever answers a form without an account; nobody can sign in as that. */
    public static function visitor(): self
    {
        return self::query()->firstOrCreate(
            ['email' => self::VISITOR],
            ['name' => __('form.visitor'), 'password' => Str::random(60), 'colour' => 1],
        );
    }

    /**
     * In order of joining; 0, which is none, for whoever has no account.
     *
     * @return Attribute<int, never>
     */
    protected function colour(): Attribute
    {
        return Attribute::get(
            fn (mixed $colour): int => $this->oneOf !== [] || $this->isVisitor() || $this->email === self::PLACE ? 0 : (int) $colour,
        );
    }

    /** The key under which a browser keeps what is theirs: 32 bytes in base64. */
    public function keptKey(): string
    {
        return base64_encode(hash_hmac('sha256', "kept in the browser of {$this->id}", (string) config('app.key'), binary: true));
    }

    public function isVisitor(): bool
    {
        return $this->oneOf === [] && $this->email === self::VISITOR;
    }

    public static function nextColour(): int
    {
        return (int) self::query()->count() % self::COLOURS + 1;
    }

    public function firstName(): string
    {
        return $this->oneOf === []
            ? explode(' ', $this->name)[0]
            : implode(' or ', array_map(fn (self $person) => $person->firstName(), $this->oneOf));
    }

    /** Two letters: the first of the first name and of the last. */
    public function monogram(): string
    {
        if ($this->oneOf !== []) {
            return implode('/', array_map(fn (self $person) => $person->monogram(), array_slice($this->oneOf, 0, 2)))
                .(count($this->oneOf) > 2 ? '…' : '');
        }
        $names = preg_split('/\s+/u', trim($this->name)) ?: [$this->name];

        return mb_strtoupper(
            mb_substr($names[0], 0, 1).(count($names) > 1 ? mb_substr($names[count($names) - 1], 0, 1) : mb_substr($names[0], 1, 1)),
        );
    }
}
