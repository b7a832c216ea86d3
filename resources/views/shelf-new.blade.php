<x-layout :title="__('views/shelf-new.a_new_shelf')">
    <div class="frame">
        <x-shelves :current="null" at="new" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>{{ __('views/shelf-new.a_new_shelf') }}</h1></div>
            <x-problems />
            @if (! auth()->user()->proved)
                <p class="notice">{{ __('views/shelf-new.first_show_that_your_address_is') }}</p>
            @else
                <form class="panel" method="post" action="{{ route('shelf.store') }}">
                    @csrf
                    <div class="field"><label class="label" for="name">{{ __('views/shelf-new.what_is_it_called') }}</label><input class="input" id="name" name="name" value="{{ old('name') }}" maxlength="80" required autofocus></div>
                    <div class="field"><label class="label" for="about">{{ __('views/shelf-new.what_is_it_for_you_may') }}</label><textarea class="textarea" id="about" name="about" maxlength="500" rows="2">{{ old('about') }}</textarea></div>
                    <p class="door-note">{{ __('views/shelf-new.you_own_it_nobody_else_sees') }}</p>
                    <button class="button is-dark">{{ __('views/shelf-new.make_it') }}</button>
                </form>
            @endif
        </main>
    </div>
</x-layout>
