<?php

declare(strict_types=1);

namespace App\Http\Place;

use App\Http\Controller;
use App\Models\User;
use App\Models\Version;
use App\Sharing\MergePeople;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Somebody with two accounts: whoever keeps the place makes one of them. */
final class MergeController extends Controller
{
    public function show(Request $request, User $person): View
    {
        $this->mayGo($this->person($request), $person);

        return view('place-merge', [
            'double' => $person->loadCount('shelves'),
            'versions' => Version::query()->where('user_id', $person->id)->count(),
            'people' => User::query()->people()->whereKeyNot($person->id)->orderBy('name')->get(),
        ]);
    }

    public function store(MergeRequest $request, User $person, MergePeople $merge): RedirectResponse
    {
        $this->mayGo($this->person($request), $person);
        $into = $request->into();
        $merge->handle($this->person($request), $person, $into);

        return redirect()->route('place')->with('said', __('place.merge.done', ['name' => $into->name, 'address' => $into->email]));
    }

    /** The account that one is signed in with can't be the one that goes. */
    private function mayGo(User $keeper, User $double): void
    {
        abort_unless($keeper->keeps_place && ! $double->is($keeper) && User::query()->people()->whereKey($double->id)->exists(), 404);
    }
}
