<?php

declare(strict_types=1);

namespace App\Http\Finding;

use App\Http\Controller;
use App\Making\Offered;
use App\Models\Milestone;
use App\Models\Shelf;
use App\Store\Lives\Lives;
use App\View\Finding\Asked;
use Illuminate\Contracts\View\View;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Facades\Gate;

/** All milestones of what one may see, the newest first; two of one item are compared by one press each. */
final class MilestonesController extends Controller
{
    private const PAGE = 24;

    /** Milestones whose names are looked through, the newest. */
    private const MOST = 10_000;

    public function __invoke(FindRequest $request): View
    {
        $shelf = $request->filled('shelf') ? Shelf::query()->where('key', $request->string('shelf')->toString())->firstOrFail() : null;
        $shelf === null || Gate::authorize('view', $shelf);
        $within = $request->within($this->person($request), $shelf);
        $words = trim($request->string('q')->toString());
        $one = $request->integer('one') === 0 ? null : $within->milestones()->with('version.item')->find($request->integer('one'));
        $query = $within->milestones()->when($one, fn ($query, Milestone $one) => $query->where('item_id', $one->item_id));
        if ($words !== '') {
            $asked = new Asked($words);
            $query->whereKey(
                (clone $query)
                    ->limit(self::MOST)
                    ->toBase()
                    ->get(['id', 'name', 'note'])
                    ->filter(fn (\stdClass $row) => $asked->isIn(Lives::folded("{$row->name} {$row->note}")))
                    ->pluck('id'),
            );
        }
        /** @var LengthAwarePaginator<int, Milestone> $page */
        $page = $query->with('version.item.shelf', 'version.user', 'user')->paginate(self::PAGE)->withQueryString();

        // Only what has another one can be compared with it.
        $counts = Milestone::query()
            ->whereIn('item_id', $page->getCollection()->pluck('item_id')->unique())
            ->groupBy('item_id')
            ->selectRaw('item_id, COUNT(*) AS count')
            ->pluck('count', 'item_id');

        return view('milestones', [
            'counts' => $counts,
            'page' => $page,
            'shelf' => $shelf,
            'q' => $words,
            'one' => $one,
            'kind' => $request->string('kind')->toString(),
            'kinds' => Offered::kinds(),
        ]);
    }
}
