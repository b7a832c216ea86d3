<x-layout :title="__('views/invitation.welcome')" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet">
            <h1>{{ __('views/invitation.welcome_name', ['name' => explode(' ', $invitation->name)[0]]) }}</h1>
            <p class="door-note">{{ __('views/invitation.invites_you_where', ['name' => $invitation->user->name, 'shelf' => $invitation->shelf->name, 'value' => __('people.would.'.$invitation->role->value)]) }}</p>
            <x-problems />
            @if ($begins)
                <form method="post" action="{{ request()->getRequestUri() }}">
                    @csrf
                    <p class="door-note">{{ __('views/invitation.choose_a_password_your_address_here', ['email' => $invitation->email]) }}</p>
                    @if ($account === null)<div class="field"><label class="label" for="name">{{ __('views/invitation.your_name_as_others_see_it') }}</label><input class="input" id="name" name="name" value="{{ old('name', $invitation->name) }}" maxlength="80" autocomplete="name" required></div>@endif
                    <div class="field"><label class="label" for="password">{{ __('views/invitation.password_10_characters_or_more') }}</label><input class="input" id="password" type="password" name="password" autocomplete="new-password" minlength="10" required autofocus></div>
                    <div class="field"><label class="label" for="again">{{ __('views/invitation.the_same_again') }}</label><input class="input" id="again" type="password" name="password_confirmation" autocomplete="new-password" required></div>
                    <button class="button is-dark">{{ __('views/invitation.come_in') }}</button>
                </form>
            @elseif ($me?->id === $account?->id)
                <form method="post" action="{{ request()->getRequestUri() }}">@csrf<button class="button is-dark">{{ __('views/invitation.come_in') }}</button></form>
            @else
                <p>{{ __('sign-in.have_account', ['email' => $invitation->email]) }}</p>
                <a class="button is-dark" href="{{ route('sign-in') }}">{{ __('views/invitation.sign_in') }}</a>
            @endif
        </div>
    </main>
</x-layout>
