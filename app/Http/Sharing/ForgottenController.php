<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use App\Http\Controller;
use App\Models\User;
use App\Sharing\SendMail;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\URL;
use Illuminate\Support\Str;

/** A forgotten password: a link in the mail, which works for an hour and once. Whether an address has an account is not told. */
final class ForgottenController extends Controller
{
    public function show(): View
    {
        return view('forgotten', ['person' => null]);
    }

    public function ask(ForgottenRequest $request, SendMail $mail): RedirectResponse
    {
        $email = (string) $request->validated('email');
        $person = User::query()->where('email', $email)->first();
        if ($person !== null && ! $person->isVisitor()) {
            $link = URL::to(
                URL::temporarySignedRoute(
                    'forgotten.choose',
                    now()->addHour(),
                    ['person' => $person->id, 'once' => self::once($person)],
                    absolute: false,
                ),
            );
            $mail->handle(null, $person->email, __('account.forgotten.subject'), __('account.forgotten.body', ['link' => $link]));
        }

        return redirect()->route('forgotten')->with('said', __('account.forgotten.sent', ['email' => $email]));
    }

    public function choose(Request $request, int $person): View
    {
        return view('forgotten', ['person' => $this->of($request, $person)]);
    }

    public function store(ChoosePasswordRequest $request, int $person): RedirectResponse
    {
        $found = $this->of($request, $person);
        $found->update(['password' => $request->validated('password'), 'proved' => true]);
        $found->forceFill(['remember_token' => Str::random(60)])->save();
        return ($this->letIn($request, $found) ?? redirect()->route('home'))->with('said', __('account.password_changed'));
    }

    /** Whose link it is; it opens nothing any more once the password is another one. */
    private function of(Request $request, int $person): User
    {
        $found = User::query()->find($person);

        return $found !== null && hash_equals(self::once($found), $this->text($request, 'once'))
            ? $found
            : abort(410, __('account.forgotten.used'));
    }

    private static function once(User $person): string
    {
        return substr(hash_hmac('sha256', "{$person->id} {$person->password}", (string) config('app.key')), 0, 32);
    }
}
