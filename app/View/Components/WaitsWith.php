<?php

declare(strict_types=1);

namespace App\View\Components;

use App\Models\Item;
use App\Models\Membership;
use App\Models\Publishing;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\View\Component;

/** Whose yes a wish of whoever looks waits for. */
final class WaitsWith extends Component
{
    public readonly ?Publishing $wish;

    public readonly string $key;

    /** @var list<string> those who may say it */
    public readonly array $people;

    public function __construct(Request $request, Item $item)
    {
        $this->key = $item->key;
        $me = $request->user()?->getAuthIdentifier();
        $this->wish = ! $item->isPublishable() || $item->form_id !== null || $item->sight !== null
            ? null
            : $item->publishings()->waiting()->where('user_id', $me)->with('version')->first();
        $this->people = $this->wish === null
            ? []
            : array_values(
                $item->shelf
                    ->loadMissing('memberships.user')
                    ->memberships->filter(fn (Membership $each) => $each->user_id !== $me && $each->saysYes())
                    ->map(fn (Membership $each) => $each->user->firstName())
                    ->all(),
            );
    }

    public function render(): View
    {
        return view('components.waits-with');
    }
}
