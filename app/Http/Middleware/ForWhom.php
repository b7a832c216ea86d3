<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** A page says for whom it was made. If somebody else has signed in since, what it sends is not theirs to have sent. */
final class ForWhom
{
    public function handle(Request $request, Closure $next): Response
    {
        $person = $request->headers->get('X-Person');
        $me = $request->user()?->getAuthIdentifier();

        return $person !== null && $me !== null && $person !== (string) $me && ! $request->is('sign-in*')
            ? response()->json(['message' => __('sign-in.somebody_else')], 401)
            : $next($request);
    }
}
