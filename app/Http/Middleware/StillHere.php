<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** Ends the sessions of somebody who is let in no more. */
final class StillHere
{
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        if ($user instanceof User && $user->left_at !== null) {
            StartSession::end($request->session());
            Auth::logout();

            return $request->expectsJson()
                ? response()->json(['message' => __('place.no_more')], 401)
                : redirect()
                    ->route('sign-in')
                    ->withErrors(['email' => __('place.no_more')]);
        }

        return $next($request);
    }
}
