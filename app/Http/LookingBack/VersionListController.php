<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\Controller;
use App\Models\Item;
use App\Models\User;
use App\Store\States;
use App\View\Phrases;
use App\View\Versions\VersionList;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

/** The ribbon in words, a page at a time, newest first. */
final class VersionListController extends Controller
{
    public function __invoke(ListRequest $request, Item $item, Phrases $phrases, States $states): View
    {
        $asked = $request->asked();
        $item->load('origin.item');

        return view('list', [
            'item' => $item,
            'asked' => $asked,
            'bySittings' => ! $asked->isAsked() && $item->sight === null,
            'editors' => $item->sight !== null
                ? new Collection
                : User::query()
                    ->whereIn('id', DB::table('activity')->where('item_id', $item->id)->select('user_id'))
                    ->get()
                    ->sortBy('name'),
            'removals' => $item->removals()->with('user')->orderByDesc('id')->limit(20)->get(),
            'list' => new VersionList($item, $asked, $phrases, $states, Gate::allows('talk', $item)),
            'mayWrite' => Gate::allows('write', $item),
            'mayComment' => Gate::allows('comment', $item),
        ]);
    }
}
