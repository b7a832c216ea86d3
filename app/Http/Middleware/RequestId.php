<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Context;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;

/** Names each request: the name is in the log, in jobs that come of it, and in the answer, so that one can be found by the other. */
final class RequestId
{
    private const HEADER = 'X-Request-Id';

    public function handle(Request $request, Closure $next): Response
    {
        // A name that a proxy in front gave is kept, if it is one.
        $given = $request->isFromTrustedProxy() ? (string) $request->headers->get(self::HEADER) : '';
        $id = preg_match('/^[\w-]{8,64}$/D', $given) === 1 ? $given : Str::lower(Str::ulid()->toBase32());
        Context::add('request', $id);
        $response = $next($request);
        $response->headers->set(self::HEADER, $id);

        return $response;
    }
}
