<x-layout :title="__('second.ask')" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet">
            <h1>{{ __('second.ask') }}</h1>
            <p class="door-note">{{ __('second.ask_lead') }}</p>
            <x-problems />
            <form method="post" action="{{ route('sign-in.second.store') }}">
                @csrf
                <div class="field"><label class="label" for="code">{{ __('second.code') }}</label><input class="input" id="code" name="code" maxlength="40" inputmode="numeric" autocomplete="one-time-code" required autofocus></div>
                <button class="button is-dark">{{ __('second.go_on') }}</button>
            </form>
            <p class="door-note">{{ __('second.lost') }}</p>
        </div>
    </main>
</x-layout>
