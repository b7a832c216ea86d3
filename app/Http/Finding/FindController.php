<?php

declare(strict_types=1);

namespace App\Http\Finding;

use App\Http\Controller;
use App\Making\Offered;
use App\Models\Item;
use App\Models\Membership;
use App\Models\Shelf;
use App\Models\User;
use App\Store\States;
use App\View\Finding\Asked;
use App\View\Finding\Finds;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Gate;

/** Finding in every version of all that one may see, of a shelf, or of an item. */
final class FindController extends Controller
{
    public function __invoke(FindRequest $request, States $states): View
    {
        $asked = new Asked($request->string('q')->trim()->toString());
        $within = $request->within($this->person($request), $this->in($request));

        $in = $within->in;
        $finds = new Finds($asked, $within, $states, max(1, $request->integer('page', 1)));
        $here = [
            'q' => $asked->words,
            'state' => $within->state === 'any' ? null : $within->state,
            'kind' => $within->kind,
            'item' => $in instanceof Item ? $in->key : null,
            'shelf' => $in instanceof Shelf ? $in->key : null,
            'by' => $within->by ?: null,
            'since' => $within->since?->format('Y-m-d'),
            'until' => $within->until?->format('Y-m-d'),
        ];

        return view('find', [
            'within' => $within,
            'in' => $in,
            'state' => $within->state,
            'page' => $finds->page,
            'near' => $in instanceof Item ? $in->key : (is_string($request->query('near')) ? $request->query('near') : ''),
            'more' => fn (array $with): string => route(
                'find',
                array_filter([...$here, ...$with], fn (mixed $value): bool => $value !== null && $value !== ''),
                false,
            ),
            'hidden' => array_filter([...$here, 'since' => null, 'until' => null]),
            'q' => $asked->words,
            'kinds' => Offered::all(),
            'finds' => $finds,
            'shelves' => $this->person($request)->shelves,
            'people' => self::beside($this->person($request)),
        ]);
    }

    /** @return Collection<int, User> everybody who is on a shelf of somebody */
    private static function beside(User $person): Collection
    {
        return User::query()
            ->whereIn('id', Membership::query()->whereIn('shelf_id', $person->shelves()->select('shelves.id'))->select('user_id'))
            ->orderBy('name')
            ->get();
    }

    private function in(FindRequest $request): Item|Shelf|null
    {
        $item = $request->filled('item') ? (new Item)->resolveRouteBinding($request->string('item')->toString()) ?? abort(404) : null;
        $shelf = $item === null && $request->filled('shelf')
            ? Shelf::query()
                ->where('key', $request->string('shelf')->toString())
                ->firstOrFail()
            : null;
        $item === null || Gate::authorize('view', $item);
        $shelf === null || Gate::authorize('view', $shelf);

        return $item ?? $shelf;
    }
}
