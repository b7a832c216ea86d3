<?php

declare(strict_types=1);

namespace App\View\Keeping;

use App\Models\Item;
use App\Models\User;
use App\Saving\Rules;
use App\Words\Numbers;
use Illuminate\Support\Facades\Gate;

/** What hangs on an item: said before it is deleted. */
final readonly class HangsOn
{
    /** @var list<string> sentences */
    public array $said;

    public function __construct(Item $item, User $person)
    {
        $entries = $item->isAnswered() ? $item->entries()->whereNull('deleted_at')->count() : 0;
        $copies = Item::query()->standing()->whereIn('copied_from', $item->versions()->select('id'))->count();
        $this->said = [
            ...$item->is_public && $item->live !== null
                ? [(string) __('keeping.hanging.public', ['address' => route('read', $item->address)])]
                : [],
            ...$item->live !== null && ! $item->is_public ? [(string) __('keeping.hanging.live')] : [],
            ...$entries === 0 ? [] : [trans_choice('keeping.hanging.entries', $entries, ['count' => Numbers::said($entries)])],
            ...$this->followers($item, $person),
            ...$item->room(Rules::class)->hanging($item, $person),
            ...($copies === 0 ? [] : [trans_choice('keeping.hanging.copies', $copies, ['count' => (string) $copies])]),
        ];
    }

    /** @return list<string> */
    private function followers(Item $item, User $person): array
    {
        $followers = Item::query()
            ->with('shelf.memberships')
            ->standing()
            ->where('source_id', $item->id)
            ->whereNull('source_number')
            ->orderBy('title')
            ->get();
        $told = $followers->filter(fn (Item $follower) => Gate::forUser($person)->allows('draft', $follower));
        $others = $followers->count() - $told->count();

        return [
            ...$told
                ->map(
                    fn (Item $follower) => (string) __('keeping.hanging.follower', [
                        'title' => $follower->title,
                        'shelf' => $follower->shelf->name,
                    ]),
                )
                ->values()
                ->all(),
            ...$others === 0 ? [] : [trans_choice('keeping.hanging.followers', $others, ['count' => (string) $others])],
        ];
    }
}
