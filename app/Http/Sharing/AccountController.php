<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use App\Http\Controller;
use App\Models\User;
use App\Sharing\SendMail;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\URL;

/** One's own account: name, colour, light or dark, address, password, and sessions elsewhere. */
final class AccountController extends Controller
{
    public function show(Request $request): View
    {
        return view('account', ['me' => $this->person($request)]);
    }

    public function update(AccountRequest $request): RedirectResponse
    {
        $this->person($request)->update($request->validated());

        return redirect()->route('account')->with('said', __('account.kept'));
    }

    /** Every other session ends with the password that it began with. */
    public function password(NewPasswordRequest $request): RedirectResponse
    {
        $this->person($request)->update(['password' => $request->validated('password')]);
        Auth::logoutOtherDevices((string) $request->validated('password'));

        return redirect()->route('account')->with('said', __('account.password_changed'));
    }

    /** The new address is asked first: it is theirs when the link in its mail is followed. */
    public function address(NewAddressRequest $request, SendMail $mail): RedirectResponse
    {
        $person = $this->person($request);
        $email = (string) $request->validated('email');
        $link = URL::to(
            URL::temporarySignedRoute(
                'account.moved',
                now()->addDay(),
                ['person' => $person->id, 'email' => $email, 'was' => $person->email],
                absolute: false,
            ),
        );
        $mail->handle(null, $email, __('people.address.subject'), __('people.address.body', ['link' => $link]));

        return redirect()->route('account')->with('said', __('people.address.sent', ['email' => $email]));
    }

    public function moved(Request $request, int $person): RedirectResponse
    {
        $me = $this->person($request);
        $email = $this->text($request, 'email');
        abort_unless($me->id === $person && $this->text($request, 'was') === $me->email, 403, __('people.address.other'));
        abort_if(User::query()->where('email', $email)->whereKeyNot($me->id)->exists(), 409, __('account.taken', ['email' => $email]));
        $me->update(['email' => $email, 'proved' => true]);

        return redirect()->route('account')->with('said', __('people.address.proved', ['email' => $email]));
    }

    public function elsewhere(OwnPasswordRequest $request): RedirectResponse
    {
        Auth::logoutOtherDevices((string) $request->validated('current'));

        return redirect()->route('account')->with('said', __('account.elsewhere'));
    }
}
