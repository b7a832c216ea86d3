<x-layout title="Your account">
    <div class="frame">
        <x-shelves :current="null" at="account" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>Your account</h1></div>
            <x-problems />
            <div class="two">
                <form class="panel" method="post" action="{{ route('account.update') }}">
                    @csrf @method('put')
                    <h2>How others see you</h2>
                    <div class="field"><label class="label" for="name">Name</label><input class="input" id="name" name="name" value="{{ old('name', $me->name) }}" maxlength="80" autocomplete="name" required></div>
                    <fieldset class="field"><legend class="label">Colour</legend><div class="colours">@for ($colour = 1; $colour <= App\Models\User::COLOURS; $colour++)<label class="by-{{ $colour }}"><input type="radio" name="colour" value="{{ $colour }}" aria-label="Colour {{ $colour }}" @checked((int) old('colour', $me->colour) === $colour)><span class="monogram by-{{ $colour }}">{{ $me->monogram() }}</span></label>@endfor</div></fieldset>
                    <h2>How you see the place</h2>
                    <div class="field"><label class="label" for="look">Light or dark</label><div class="select"><select id="look" name="look"><option value="">as the device has it</option><option value="day" @selected($me->look === 'day')>light</option><option value="night" @selected($me->look === 'night')>dark</option></select></div></div>
                    <div class="field"><label class="label" for="zone">{{ __('account.zone') }}</label><div class="select"><select id="zone" name="zone" aria-describedby="zone-what"><option value="">{{ __('account.zone_device') }}</option>@foreach (App\Words\Clock::zones() as $part => $zones)@if ($part !== '')<optgroup label="{{ $part }}">@endif @foreach ($zones as $zone => $said)<option value="{{ $zone }}" @selected(old('zone', $me->zone) === $zone)>{{ $said }}</option>@endforeach @if ($part !== '')</optgroup>@endif @endforeach</select></div><p class="door-note" id="zone-what">{{ __('account.zone_note') }}</p></div>
                    @foreach (['numbers' => array_keys(App\Words\Ways::NUMBERS), 'dates' => array_keys(App\Words\Ways::DATES)] as $what => $ways)
                        <div class="field"><label class="label" for="{{ $what }}">{{ __("account.{$what}") }}</label><div class="select"><select id="{{ $what }}" name="{{ $what }}" @if ($loop->first) aria-describedby="numbers-what" @endif>@foreach ($ways as $way)<option value="{{ $way }}" @selected(old($what, $me->{$what}) === $way)>{{ __("account.{$what}_as.".($way === '' ? 'plain' : $way)) }}</option>@endforeach</select></div>@if ($loop->first)<p class="door-note" id="numbers-what">{{ __('account.numbers_note') }}</p>@endif</div>
                    @endforeach
                    <button class="button is-dark">Save</button>
                </form>
                <div>
                    <form class="panel" method="post" action="{{ route('account.password') }}">
                        @csrf @method('put')
                        <h2>Password</h2>
                        <input type="hidden" name="username" value="{{ $me->email }}" autocomplete="username">
                        <div class="field"><label class="label" for="current">The one you have</label><input class="input" id="current" type="password" name="current" autocomplete="current-password" required></div>
                        <div class="field"><label class="label" for="password">A new one, 10 characters or more</label><input class="input" id="password" type="password" name="password" autocomplete="new-password" minlength="10" required></div>
                        <div class="field"><label class="label" for="again">The same again</label><input class="input" id="again" type="password" name="password_confirmation" autocomplete="new-password" required></div>
                        <button class="button">Change it</button>
                    </form>
                    <section class="panel">
                        <h2>{{ __('second.title') }}</h2>
                        <p class="door-note">{{ __($me->second_key === null ? 'second.lead' : 'second.is_on') }}</p>
                        <p><a class="button" href="{{ route('second') }}">{{ __($me->second_key === null ? 'second.set_up' : 'second.look') }}</a></p>
                    </section>
                    <section class="panel">
                        <h2>Word of what you watch</h2>
                        <form method="post" action="{{ route('account.mails') }}">@csrf @method('put')<label class="label" for="mails">Mail</label><div class="field"><div class="select"><select id="mails" name="mails"><option value="daily" @selected($me->mails === 'daily')>once a day, when something changed</option><option value="soon" @selected($me->mails === 'soon')>within a quarter of an hour, all of it in one</option><option value="none" @selected($me->mails === 'none')>none</option></select></div></div><button class="button">Save</button></form>
                        <p class="door-note">{{ $me->feed_key === null ? 'Programs can follow what you may see, by addresses with a key of your own.' : 'You have a key for programs. A new one ends every address with the one before.' }}</p>
                        <form method="post" action="{{ route('account.feed') }}">@csrf @method('put')<button class="button" name="key" value="1">{{ $me->feed_key === null ? 'Make a key' : 'Make a new key' }}</button>@if ($me->feed_key !== null) <button class="button is-quiet" name="key" value="0">Take it back</button>@endif</form>
                    </section>
                    <form class="panel" method="post" action="{{ route('account.address') }}">
                        @csrf @method('put')
                        <h2>E-mail address</h2>
                        <p class="door-note">{{ $me->email }}. Another one is yours when you follow the link in its mail; until then this one stays.</p>
                        <div class="field"><label class="label" for="email">New address</label><input class="input" id="email" type="email" name="email" value="{{ old('email') }}" maxlength="200" autocomplete="email" required></div>
                        <div class="field"><label class="label" for="current-2">Your password</label><input class="input" id="current-2" type="password" name="current" autocomplete="current-password" required></div>
                        <button class="button">Send the link</button>
                    </form>
                    <form class="panel" method="post" action="{{ route('account.elsewhere') }}">
                        @csrf
                        <h2>Elsewhere</h2>
                        <p class="door-note">Ends every session of yours but this one.</p>
                        <div class="field"><label class="label" for="current-3">Your password</label><input class="input" id="current-3" type="password" name="current" autocomplete="current-password" required></div>
                        <button class="button">Sign out elsewhere</button>
                    </form>
                </div>
            </div>
        </main>
    </div>
</x-layout>
