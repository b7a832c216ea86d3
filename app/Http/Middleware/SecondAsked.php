<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Role;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;

/** Where the place asks owners for a code besides their password, they set it up before they go on. */
final class SecondAsked
{
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        $asks = (bool) config('attic.owners_second')
        && $user instanceof User
        && $user->second_key === null
        && ! $request->routeIs('second*', 'account*', 'sign-in*', 'sign-out')
        && DB::table('memberships')
            ->where(['user_id' => $user->id, 'role' => Role::Owner->value])
            ->exists();
        if (! $asks) {
            return $next($request);
        }

        return $request->expectsJson()
            ? response()->json(['message' => __('second.asked')], 403)
            : redirect()
                ->route('second')
                ->withErrors(['code' => __('second.asked')]);
    }
}
