<x-layout :title="__('views/sign-in.sign_in')" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet">
            <h1>{{ __('views/sign-in.come_in') }}</h1>
            <p class="door-note">{{ __('views/sign-in.a_shared_place_in_which_every') }}</p>
            <x-problems />
            <form method="post" action="{{ route('sign-in.store') }}">
                @csrf
                <div class="field"><label class="label" for="email">{{ __('views/sign-in.e_mail_address') }}</label><input class="input" id="email" type="email" name="email" value="{{ old('email') }}" autocomplete="username" required autofocus></div>
                <div class="field"><label class="label" for="password">{{ __('views/sign-in.password') }}</label><input class="input" id="password" type="password" name="password" autocomplete="current-password" required></div>
                <p class="door-more"><button class="button is-dark">{{ __('views/sign-in.sign_in') }}</button> <a href="{{ route('forgotten') }}">{{ __('views/sign-in.i_forgot_my_password') }}</a></p>
            </form>
        </div>
        @if (count($people) > 0)
            <section class="door-sheet door-demo" aria-labelledby="demo">
                <h2 id="demo">{{ __('views/sign-in.or_look_around_as') }}</h2>
                <p class="door-note">{{ __('views/sign-in.these_five_are_made_up_and') }}</p>
                @foreach ($people as $person)
                    <form method="post" action="{{ route('sign-in.demo', $person) }}">@csrf<button class="door-person"><x-monogram :user="$person" aria-hidden="true" /> <span>{{ $person->name }}</span></button></form>
                @endforeach
            </section>
        @endif
    </main>
</x-layout>
