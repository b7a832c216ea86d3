<x-layout title="A new password" body="is-plain">
    <main id="main" class="door"><div class="door-sheet">
        <h1>A new password</h1>
        <x-problems />
        @if ($person === null)
            <p class="door-note">A link comes to your mail, by which you choose another one.</p>
            <form method="post" action="{{ route('forgotten.ask') }}">
                @csrf
                <div class="field"><label class="label" for="email">E-mail address</label><input class="input" id="email" type="email" name="email" maxlength="200" autocomplete="username" required autofocus></div>
                <p class="door-more"><button class="button is-dark">Send me the link</button> <a href="{{ route('sign-in') }}">Back</a></p>
            </form>
        @else
            <form method="post" action="{{ request()->getRequestUri() }}">
                @csrf
                <p class="door-note">For {{ $person->email }}. Sessions that are open elsewhere end with it.</p>
                <input type="hidden" name="username" value="{{ $person->email }}" autocomplete="username">
                <div class="field"><label class="label" for="password">Password, 10 characters or more</label><input class="input" id="password" type="password" name="password" autocomplete="new-password" minlength="10" required autofocus></div>
                <div class="field"><label class="label" for="again">The same again</label><input class="input" id="again" type="password" name="password_confirmation" autocomplete="new-password" required></div>
                <button class="button is-dark">Take this one</button>
            </form>
        @endif
    </div></main>
</x-layout>
