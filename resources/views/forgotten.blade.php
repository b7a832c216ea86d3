<x-layout :title="__('views/forgotten.a_new_password')" body="is-plain">
    <main id="main" class="door"><div class="door-sheet">
        <h1>{{ __('views/forgotten.a_new_password') }}</h1>
        <x-problems />
        @if ($person === null)
            <p class="door-note">{{ __('views/forgotten.a_link_comes_to_your_mail') }}</p>
            <form method="post" action="{{ route('forgotten.ask') }}">
                @csrf
                <div class="field"><label class="label" for="email">{{ __('views/forgotten.e_mail_address') }}</label><input class="input" id="email" type="email" name="email" maxlength="200" autocomplete="username" required autofocus></div>
                <p class="door-more"><button class="button is-dark">{{ __('views/forgotten.send_me_the_link') }}</button> <a href="{{ route('sign-in') }}">{{ __('views/forgotten.back') }}</a></p>
            </form>
        @else
            <form method="post" action="{{ request()->getRequestUri() }}">
                @csrf
                <p class="door-note">{{ __('views/forgotten.for_sessions_that_are_open_elsewhere', ['email' => $person->email]) }}</p>
                <input type="hidden" name="username" value="{{ $person->email }}" autocomplete="username">
                <div class="field"><label class="label" for="password">{{ __('views/forgotten.password_10_characters_or_more') }}</label><input class="input" id="password" type="password" name="password" autocomplete="new-password" minlength="10" required autofocus></div>
                <div class="field"><label class="label" for="again">{{ __('views/forgotten.the_same_again') }}</label><input class="input" id="again" type="password" name="password_confirmation" autocomplete="new-password" required></div>
                <button class="button is-dark">{{ __('views/forgotten.take_this_one') }}</button>
            </form>
        @endif
    </div></main>
</x-layout>
