<x-layout title="Welcome" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet">
            <h1>Welcome, {{ $person->firstName() }}</h1>
            <p class="door-note">Choose a password; your address here is {{ $person->email }}.</p>
            <x-problems />
            <form method="post" action="{{ request()->fullUrl() }}">
                @csrf
                <div class="field"><label class="label" for="password">Password, 10 characters or more</label><input class="input" id="password" type="password" name="password" autocomplete="new-password" minlength="10" required autofocus></div>
                <div class="field"><label class="label" for="again">The same again</label><input class="input" id="again" type="password" name="password_confirmation" autocomplete="new-password" required></div>
                <button class="button is-dark">Come in</button>
            </form>
        </div>
    </main>
</x-layout>
