<x-layout title="Welcome" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet">
            <h1>Welcome, {{ explode(' ', $invitation->name)[0] }}</h1>
            <p class="door-note">{{ $invitation->user->name }} invites you to the shelf “{{ $invitation->shelf->name }}”, where you {{ __('people.would.'.$invitation->role->value) }}.</p>
            <x-problems />
            @if ($begins)
                <form method="post" action="{{ request()->getRequestUri() }}">
                    @csrf
                    <p class="door-note">Choose a password; your address here is {{ $invitation->email }}.</p>
                    @if ($account === null)<div class="field"><label class="label" for="name">Your name, as others see it</label><input class="input" id="name" name="name" value="{{ old('name', $invitation->name) }}" maxlength="80" autocomplete="name" required></div>@endif
                    <div class="field"><label class="label" for="password">Password, 10 characters or more</label><input class="input" id="password" type="password" name="password" autocomplete="new-password" minlength="10" required autofocus></div>
                    <div class="field"><label class="label" for="again">The same again</label><input class="input" id="again" type="password" name="password_confirmation" autocomplete="new-password" required></div>
                    <button class="button is-dark">Come in</button>
                </form>
            @elseif ($me?->id === $account?->id)
                <form method="post" action="{{ request()->getRequestUri() }}">@csrf<button class="button is-dark">Come in</button></form>
            @else
                <p>{{ __('sign-in.have_account', ['email' => $invitation->email]) }}</p>
                <a class="button is-dark" href="{{ route('sign-in') }}">Sign in</a>
            @endif
        </div>
    </main>
</x-layout>
