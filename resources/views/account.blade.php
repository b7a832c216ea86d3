<x-layout :title="__('views/account.your_account')">
    <div class="frame">
        <x-shelves :current="null" at="account" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>{{ __('views/account.your_account') }}</h1></div>
            <x-problems />
            <div class="two">
                <form class="panel" method="post" action="{{ route('account.update') }}">
                    @csrf @method('put')
                    <h2>{{ __('views/account.how_others_see_you') }}</h2>
                    <div class="field"><label class="label" for="name">{{ __('views/account.name') }}</label><input class="input" id="name" name="name" value="{{ old('name', $me->name) }}" maxlength="80" autocomplete="name" required></div>
                    <fieldset class="field"><legend class="label">{{ __('views/account.colour') }}</legend><div class="colours">@for ($colour = 1; $colour <= App\Models\User::COLOURS; $colour++)<label class="by-{{ $colour }}"><input type="radio" name="colour" value="{{ $colour }}" aria-label="{{ __('views/account.colour_name', ['colour' => $colour]) }}" @checked((int) old('colour', $me->colour) === $colour)><span class="monogram by-{{ $colour }}">{{ $me->monogram() }}</span></label>@endfor</div></fieldset>
                    <h2>{{ __('views/account.how_you_see_the_place') }}</h2>
                    <div class="field"><label class="label" for="look">{{ __('views/account.light_or_dark') }}</label><div class="select"><select id="look" name="look"><option value="">{{ __('views/account.as_the_device_has_it') }}</option><option value="day" @selected($me->look === 'day')>{{ __('views/account.light') }}</option><option value="night" @selected($me->look === 'night')>{{ __('views/account.dark') }}</option></select></div></div>
                    <div class="field"><label class="label" for="zone">{{ __('account.zone') }}</label><div class="select"><select id="zone" name="zone" aria-describedby="zone-what"><option value="">{{ __('account.zone_device') }}</option>@foreach (App\Words\Clock::zones() as $part => $zones)@if ($part !== '')<optgroup label="{{ $part }}">@endif @foreach ($zones as $zone => $said)<option value="{{ $zone }}" @selected(old('zone', $me->zone) === $zone)>{{ $said }}</option>@endforeach @if ($part !== '')</optgroup>@endif @endforeach</select></div><p class="door-note" id="zone-what">{{ __('account.zone_note') }}</p></div>
                    @foreach (['numbers' => array_keys(App\Words\Ways::NUMBERS), 'dates' => array_keys(App\Words\Ways::DATES)] as $what => $ways)
                        <div class="field"><label class="label" for="{{ $what }}">{{ __("account.{$what}") }}</label><div class="select"><select id="{{ $what }}" name="{{ $what }}" @if ($loop->first) aria-describedby="numbers-what" @endif>@foreach ($ways as $way)<option value="{{ $way }}" @selected(old($what, $me->{$what}) === $way)>{{ __("account.{$what}_as.".($way === '' ? 'plain' : $way)) }}</option>@endforeach</select></div>@if ($loop->first)<p class="door-note" id="numbers-what">{{ __('account.numbers_note') }}</p>@endif</div>
                    @endforeach
                    <button class="button is-dark">{{ __('views/account.save') }}</button>
                </form>
                <div>
                    <form class="panel" method="post" action="{{ route('account.password') }}">
                        @csrf @method('put')
                        <h2>{{ __('views/account.password') }}</h2>
                        <input type="hidden" name="username" value="{{ $me->email }}" autocomplete="username">
                        <div class="field"><label class="label" for="current">{{ __('views/account.the_one_you_have') }}</label><input class="input" id="current" type="password" name="current" autocomplete="current-password" required></div>
                        <div class="field"><label class="label" for="password">{{ __('views/account.a_new_one_10_characters_or') }}</label><input class="input" id="password" type="password" name="password" autocomplete="new-password" minlength="10" required></div>
                        <div class="field"><label class="label" for="again">{{ __('views/account.the_same_again') }}</label><input class="input" id="again" type="password" name="password_confirmation" autocomplete="new-password" required></div>
                        <button class="button">{{ __('views/account.change_it') }}</button>
                    </form>
                    <section class="panel">
                        <h2>{{ __('second.title') }}</h2>
                        <p class="door-note">{{ __($me->second_key === null ? 'second.lead' : 'second.is_on') }}</p>
                        <p><a class="button" href="{{ route('second') }}">{{ __($me->second_key === null ? 'second.set_up' : 'second.look') }}</a></p>
                    </section>
                    <section class="panel">
                        <h2>{{ __('views/account.word_of_what_you_watch') }}</h2>
                        <form method="post" action="{{ route('account.mails') }}">@csrf @method('put')<label class="label" for="mails">{{ __('views/account.mail') }}</label><div class="field"><div class="select"><select id="mails" name="mails"><option value="daily" @selected($me->mails === 'daily')>{{ __('views/account.once_a_day_when_something_changed') }}</option><option value="soon" @selected($me->mails === 'soon')>{{ __('views/account.within_a_quarter_of_an_hour') }}</option><option value="none" @selected($me->mails === 'none')>{{ __('views/account.none') }}</option></select></div></div><button class="button">{{ __('views/account.save') }}</button></form>
                        <p class="door-note">{{ $me->feed_key === null ? __('views/account.programs_can_follow_what_you_may') : __('views/account.you_have_a_key_for_programs') }}</p>
                        <form method="post" action="{{ route('account.feed') }}">@csrf @method('put')<button class="button" name="key" value="1">{{ $me->feed_key === null ? __('views/account.make_a_key') : __('views/account.make_a_new_key') }}</button>@if ($me->feed_key !== null) <button class="button is-quiet" name="key" value="0">{{ __('views/account.take_it_back') }}</button>@endif</form>
                    </section>
                    <form class="panel" method="post" action="{{ route('account.address') }}">
                        @csrf @method('put')
                        <h2>{{ __('views/account.e_mail_address') }}</h2>
                        <p class="door-note">{{ __('views/account.another_one_is_yours_when_you', ['email' => $me->email]) }}</p>
                        <div class="field"><label class="label" for="email">{{ __('views/account.new_address') }}</label><input class="input" id="email" type="email" name="email" value="{{ old('email') }}" maxlength="200" autocomplete="email" required></div>
                        <div class="field"><label class="label" for="current-2">{{ __('views/account.your_password') }}</label><input class="input" id="current-2" type="password" name="current" autocomplete="current-password" required></div>
                        <button class="button">{{ __('views/account.send_the_link') }}</button>
                    </form>
                    <form class="panel" method="post" action="{{ route('account.elsewhere') }}">
                        @csrf
                        <h2>{{ __('views/account.elsewhere') }}</h2>
                        <p class="door-note">{{ __('views/account.ends_every_session_of_yours_but') }}</p>
                        <div class="field"><label class="label" for="current-3">{{ __('views/account.your_password') }}</label><input class="input" id="current-3" type="password" name="current" autocomplete="current-password" required></div>
                        <button class="button">{{ __('views/account.sign_out_elsewhere') }}</button>
                    </form>
                </div>
            </div>
        </main>
    </div>
</x-layout>
