<x-layout title="Sign in" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet">
            <h1>Come in</h1>
            <p class="door-note">A shared place in which every change is kept.</p>
            <x-problems />
            <form method="post" action="{{ route('sign-in.store') }}">
                @csrf
                <div class="field"><label class="label" for="email">E-mail address</label><input class="input" id="email" type="email" name="email" value="{{ old('email') }}" autocomplete="username" required autofocus></div>
                <div class="field"><label class="label" for="password">Password</label><input class="input" id="password" type="password" name="password" autocomplete="current-password" required></div>
                <p class="door-more"><button class="button is-dark">Sign in</button> <a href="{{ route('forgotten') }}">I forgot my password</a></p>
            </form>
        </div>
        @if (count($people) > 0)
            <section class="door-sheet door-demo" aria-labelledby="demo">
                <h2 id="demo">Or look around as</h2>
                <p class="door-note">These five are made up, and so is their repair café.</p>
                @foreach ($people as $person)
                    <form method="post" action="{{ route('sign-in.demo', $person) }}">@csrf<button class="door-person"><x-monogram :user="$person" aria-hidden="true" /> <span>{{ $person->name }}</span></button></form>
                @endforeach
            </section>
        @endif
    </main>
</x-layout>
