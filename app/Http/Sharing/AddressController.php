<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use App\Http\Controller;
use App\Sharing\SendMail;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\URL;

/** Shows that an address is one's own, for who came by a link that was handed over. */
final class AddressController extends Controller
{
    public function ask(Request $request, SendMail $mail): RedirectResponse
    {
        $person = $this->person($request);
        $link = URL::to(URL::temporarySignedRoute('address.prove', now()->addDay(), ['person' => $person->id], absolute: false));
        $mail->handle(null, $person->email, __('people.address.subject'), __('people.address.body', ['link' => $link]));

        return back()->with('said', __('people.address.sent', ['email' => $person->email]));
    }

    public function prove(Request $request, int $person): RedirectResponse
    {
        $me = $this->person($request);
        abort_unless($me->id === $person, 403, __('people.address.other'));
        $me->update(['proved' => true]);

        return redirect()->route('home')->with('said', __('people.address.proved', ['email' => $me->email]));
    }
}
