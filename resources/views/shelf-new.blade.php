<x-layout title="A new shelf">
    <div class="frame">
        <x-shelves :current="null" at="new" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>A new shelf</h1></div>
            <x-problems />
            @if (! auth()->user()->proved)
                <p class="notice">First show that your address is yours: it is in the menu behind your initials.</p>
            @else
                <form class="panel" method="post" action="{{ route('shelf.store') }}">
                    @csrf
                    <div class="field"><label class="label" for="name">What is it called?</label><input class="input" id="name" name="name" value="{{ old('name') }}" maxlength="80" required autofocus></div>
                    <div class="field"><label class="label" for="about">What is it for? You may leave this open.</label><textarea class="textarea" id="about" name="about" maxlength="500" rows="2">{{ old('about') }}</textarea></div>
                    <p class="door-note">You own it. Nobody else sees it until you invite them.</p>
                    <button class="button is-dark">Make it</button>
                </form>
            @endif
        </main>
    </div>
</x-layout>
