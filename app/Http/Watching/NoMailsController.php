<?php

declare(strict_types=1);

namespace App\Http\Watching;

use App\Http\Controller;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The link below a mail: no more of them, without signing in. */
final class NoMailsController extends Controller
{
    /** Looking at it changes nothing, since programs look, too. */
    public function __invoke(Request $request, int $person): Response
    {
        $done = $request->isMethod('post') && User::query()->whereKey($person)->update(['mails' => 'none']) > 0;

        return response()->view('mails-none', ['done' => $done]);
    }
}
