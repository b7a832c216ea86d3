<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A request that takes long and is worked beside, so that others need not wait for it.
 *
 * @property int $id
 * @property string $key
 * @property int $user_id who asked, and who alone sees what came of it
 * @property string $name what it is, for the page that tells of it
 * @property array{method: string, url: string, from: string, input: array<string, mixed>, file: array{field: string, path: string, name: string}|null} $request
 * @property 'waiting'|'working'|'done'|'failed' $state
 * @property array{to?: string, said?: string|null, errors?: array<string, list<string>>, file?: array{path: string, name: string, type: string}, page?: string, token?: string}|null $response
 * @property int|null $share how far it has come, in percent; null where that is not known
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable|null $started_at
 * @property CarbonImmutable|null $done_at
 * @property-read User $user
 */
final class Task extends Model
{
    public $timestamps = false;

    protected $fillable = ['key', 'user_id', 'name', 'request', 'state', 'response', 'created_at', 'started_at', 'done_at', 'share'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'request' => 'array',
            'response' => 'array',
            'created_at' => 'immutable_datetime',
            'started_at' => 'immutable_datetime',
            'done_at' => 'immutable_datetime',
        ];
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /**
     * @param  Builder<self>  $query
     * @return Builder<self>
     */
    public function scopeUnderWay(Builder $query): Builder
    {
        return $query->whereIn('state', ['waiting', 'working']);
    }
}
