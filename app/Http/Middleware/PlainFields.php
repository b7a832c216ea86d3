<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Fields that are in a form as one text: a list in their place, or signs that are none, count as nothing. */
final class PlainFields
{
    private const NAMES = [
        'email',
        'password',
        'password_confirmation',
        'name',
        'role',
        'note',
        'third',
        'title',
        'expression',
        'base',
        'type',
        'choices',
        'find',
        'sort',
        'in',
        'page',
        'client',
        'part',
    ];

    public function handle(Request $request, Closure $next): Response
    {
        foreach ([$request->query, $request->request] as $bag) {
            foreach (self::NAMES as $name) {
                $value = $bag->all()[$name] ?? null;
                if (is_array($value) || (is_string($value) && (! mb_check_encoding($value, 'UTF-8') || str_contains($value, "\0")))) {
                    $bag->remove($name);
                }
            }
        }

        return $next($request);
    }
}
