<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use App\Http\Controller;
use App\Models\User;
use App\Sharing\CheckSecond;
use App\Sharing\SecondFactor;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** A code besides the password: asked for when somebody signs in, set up and taken off in one's account. */
final class SecondController extends Controller
{
    /** Codes that are written down for the day on which a device is lost. */
    private const WRITTEN = 8;

    private const KEY = 'second.key';

    public function ask(Request $request): View|RedirectResponse
    {
        return $this->whoWaits($request) === null ? redirect()->route('sign-in') : view('second-ask');
    }

    public function answer(CodeRequest $request): RedirectResponse
    {
        $person = $this->whoWaits($request);
        if ($person === null) {
            return redirect()->route('sign-in');
        }
        CheckSecond::handle($person, $request->code()) || throw ValidationException::withMessages(['code' => __('second.wrong')]);
        $this->letInAtLast($request, $person);

        return redirect()->intended(route('home'));
    }

    public function show(Request $request): View
    {
        $person = $this->person($request);
        if ($person->second_key !== null) {
            return view('second', ['me' => $person, 'key' => null, 'address' => null]);
        }
        $key = $request->session()->get(self::KEY);
        $key = is_string($key) ? $key : SecondFactor::key();
        $request->session()->put(self::KEY, $key);

        return view('second', ['me' => $person, 'key' => $key, 'address' => SecondFactor::address($person, $key)]);
    }

    /** It counts from the first code of it on. */
    public function store(CodeRequest $request): RedirectResponse
    {
        $person = $this->person($request);
        $key = $request->session()->get(self::KEY);
        $step = is_string($key) && $person->second_key === null ? SecondFactor::step($key, $request->code(), now()->getTimestamp()) : null;
        $step !== null || throw ValidationException::withMessages(['code' => __('second.not_yet')]);
        $written = array_map(fn (): string => strtoupper(Str::random(10)), range(1, self::WRITTEN));
        $person
            ->forceFill([
                'second_key' => $key,
                'second_step' => $step,
                'recovery' => array_map(fn (string $code) => hash('sha256', $code), $written),
            ])
            ->save();
        $request->session()->forget(self::KEY);

        return redirect()->route('second')->with('written', $written)->with('said', __('second.on'));
    }

    public function destroy(OwnPasswordRequest $request): RedirectResponse
    {
        $this->person($request)->forceFill(['second_key' => null, 'recovery' => []])->save();

        return redirect()->route('account')->with('said', __('second.off'));
    }

    /** Whoever gave a password that fits, less than ten minutes ago. */
    private function whoWaits(Request $request): ?User
    {
        $waits = $request->session()->get(self::WAITS);

        return is_array($waits) && ($waits['until'] ?? 0) > now()->getTimestamp()
            ? User::query()->whereNull('left_at')->find((int) ($waits['person'] ?? 0))
            : null;
    }
}
