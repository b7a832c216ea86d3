<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use App\Http\Controller;
use App\Keeping\MakeShelf;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\DB;

/** The first person of an empty place, who keeps it, and their first shelf. */
final class BeginController extends Controller
{
    public function __invoke(BeginRequest $request, MakeShelf $make): RedirectResponse
    {
        $sent = $request->validated();
        $shelf = DB::transaction(function () use ($sent, $make) {
            abort_if(User::query()->people()->exists(), 404);
            $person = User::query()->create([
                'name' => $sent['name'],
                'email' => $sent['email'],
                'password' => $sent['password'],
                'colour' => User::nextColour(),
                'keeps_place' => true,
            ]);

            return $make->handle($person, $sent['shelf']);
        });
        $this->letIn($request, User::query()->people()->firstOrFail());

        return redirect()->route('shelf', $shelf)->with('said', __('place.begun'));
    }
}
