<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\View\Past;
use App\View\Phrases;
use Illuminate\Support\Facades\Gate;

/** The lines that somebody ticked of a report and of its datasets, as what is to be restored of each. */
final readonly class TickedData
{
    public function __construct(private Phrases $phrases) {}

    /**
     * @param  array<string, mixed>  $sent  see {@see RestoreRequest::rules}
     * @param  list<string>|null  $picked  of the report itself
     * @return list<array{item: Item, version: Version, seen: int, picked: list<string>|null}>|null null when a dataset moved on
     */
    public function of(Item $item, Version $version, User $person, array $sent, ?array $picked): ?array
    {
        $plans = $item->room(Past::class)->plan($item, $version, $person, $this->phrases)['data'] ?? abort(404);
        $wanted = ($sent['pick'] ?? []) === []
            ? []
            : [['item' => $item, 'version' => $version, 'seen' => (int) $sent['seen'], 'picked' => $picked]];
        foreach ($sent['data'] as $key => $ticked) {
            $plan = $plans->plans[(string) $key] ?? null;
            if ($plan === null) {
                return null;
            }
            Gate::authorize('restore', $plan['item']);
            $seen = (int) ($sent['data_seen'][$key] ?? 0);
            $wanted[] = [
                'item' => $plan['item'],
                'version' => $plan['then'],
                'seen' => $seen,
                'picked' => $plans->keys((string) $key, $ticked),
            ];
        }

        return $wanted;
    }
}
