<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

/** The signed link by which somebody who was invited sets a password. It works once. */
final class InvitationController extends Controller
{
    public function show(User $person): View
    {
        abort_unless($person->password === null, 410, __('sign-in.used'));

        return view('invitation', ['person' => $person]);
    }

    public function store(Request $request, User $person): RedirectResponse
    {
        abort_unless($person->password === null, 410, __('sign-in.used'));
        $sent = $request->validate(['password' => ['required', 'string', 'min:10', 'max:200', 'confirmed']]);
        $person->update(['password' => $sent['password']]);
        Auth::login($person, remember: true);
        $request->session()->regenerate();

        return redirect()->route('home');
    }
}
