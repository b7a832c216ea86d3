<x-layout title="Begin" body="is-plain">
    <main id="main" class="door"><div class="door-sheet">
        <h1>An empty attic</h1>
        <p class="door-note">Nobody is here yet. You are the first: you keep the place, and invite the others.</p>
        <x-problems />
        <form method="post" action="{{ route('begin') }}">
            @csrf
            <div class="field"><label class="label" for="name">Your name, as others will see it</label><input class="input" id="name" name="name" value="{{ old('name') }}" maxlength="80" autocomplete="name" required autofocus></div>
            <div class="field"><label class="label" for="email">E-mail address</label><input class="input" id="email" type="email" name="email" value="{{ old('email') }}" maxlength="200" autocomplete="username" required></div>
            <div class="field"><label class="label" for="password">Password, 10 characters or more</label><input class="input" id="password" type="password" name="password" autocomplete="new-password" minlength="10" required></div>
            <div class="field"><label class="label" for="again">The same again</label><input class="input" id="again" type="password" name="password_confirmation" autocomplete="new-password" required></div>
            <div class="field"><label class="label" for="shelf">A first shelf, for what?</label><input class="input" id="shelf" name="shelf" value="{{ old('shelf') }}" maxlength="80" placeholder="Office" required></div>
            <button class="button is-dark">Begin</button>
        </form>
    </div></main>
</x-layout>
