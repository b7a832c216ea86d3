<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use App\Http\Controller;
use App\Http\Middleware\StartSession;
use App\Models\User;
use App\Sharing\CheckSecond;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\ValidationException;

final class SignInController extends Controller
{
    public function show(): View
    {
        if (User::query()->people()->doesntExist()) {
            return view('begin');
        }

        return view('sign-in', ['people' => config('attic.demo') ? User::query()->orderBy('id')->limit(5)->get() : []]);
    }

    public function store(SignInRequest $request): RedirectResponse|JsonResponse
    {
        $sent = $request->validated();
        $person = User::query()->where('email', $sent['email'])->first();
        // As long for an address without an account, so that the time tells nothing.
        $fits = $person === null ? Hash::make($sent['password']) === '' : Hash::check($sent['password'], $person->password);
        if ($person === null || ! $fits || $person->left_at !== null) {
            throw ValidationException::withMessages(['email' => __('sign-in.wrong')]);
        }

        return $this->in($request, $person);
    }

    /** One press, no password: only where the demo's people are offered. */
    public function demo(Request $request, User $person): RedirectResponse|JsonResponse
    {
        abort_unless((bool) config('attic.demo') && $person->id <= 5 && $person->left_at === null, 404);

        return $this->in($request, $person);
    }

    /** Who is signed in, for a window that was open while the session ended; brings a fresh token with it. */
    public function state(Request $request): JsonResponse
    {
        $user = $request->user();

        return response()->json([
            'name' => $user instanceof User ? $user->name : null,
            'id' => $user instanceof User ? $user->id : null,
            'token' => csrf_token(),
        ]);
    }

    public function destroy(Request $request): RedirectResponse
    {
        $session = $request->session();
        StartSession::end($session);
        Auth::logout();
        $request->session()->regenerateToken();

        return redirect()->route('sign-in');
    }

    private function in(Request $request, User $person): RedirectResponse|JsonResponse
    {
        if ($request->expectsJson()) {
            // A window that stood open while the session ended says all at once.
            $person->second_key === null
                || CheckSecond::handle($person, $this->text($request, 'code'))
                || throw ValidationException::withMessages(['code' => __('second.json')]);
            $this->letInAtLast($request, $person);

            return $this->state($request);
        }

        return $this->letIn($request, $person) ?? redirect()->intended(route('home'));
    }
}
