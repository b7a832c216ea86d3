<x-layout :title="__('views/begin.begin')" body="is-plain">
    <main id="main" class="door"><div class="door-sheet">
        <h1>{{ __('views/begin.an_empty_attic') }}</h1>
        <p class="door-note">{{ __('views/begin.nobody_is_here_yet_you_are') }}</p>
        <x-problems />
        <form method="post" action="{{ route('begin') }}">
            @csrf
            <div class="field"><label class="label" for="name">{{ __('views/begin.your_name_as_others_will_see') }}</label><input class="input" id="name" name="name" value="{{ old('name') }}" maxlength="80" autocomplete="name" required autofocus></div>
            <div class="field"><label class="label" for="email">{{ __('views/begin.e_mail_address') }}</label><input class="input" id="email" type="email" name="email" value="{{ old('email') }}" maxlength="200" autocomplete="username" required></div>
            <div class="field"><label class="label" for="password">{{ __('views/begin.password_10_characters_or_more') }}</label><input class="input" id="password" type="password" name="password" autocomplete="new-password" minlength="10" required></div>
            <div class="field"><label class="label" for="again">{{ __('views/begin.the_same_again') }}</label><input class="input" id="again" type="password" name="password_confirmation" autocomplete="new-password" required></div>
            <div class="field"><label class="label" for="shelf">{{ __('views/begin.a_first_shelf_for_what') }}</label><input class="input" id="shelf" name="shelf" value="{{ old('shelf') }}" maxlength="80" placeholder="{{ __('views/begin.office') }}" required></div>
            <button class="button is-dark">{{ __('views/begin.begin') }}</button>
        </form>
    </div></main>
</x-layout>
