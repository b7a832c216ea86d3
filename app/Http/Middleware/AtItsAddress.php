<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Whoever comes by another name than those of the place is led to its address: no answer is made for a forged Host. */
final class AtItsAddress
{
    public function handle(Request $request, Closure $next): Response
    {
        $address = (string) config('app.url');
        $hosts = [(string) parse_url($address, PHP_URL_HOST), ...(array) config('attic.hosts')];
        if (in_array($request->getHost(), $hosts, true) || $request->is('up')) {
            return $next($request);
        }
        abort_unless($request->isMethodSafe(), 400, __('problems.host'));

        return redirect()->away(rtrim($address, '/').$request->getRequestUri());
    }
}
