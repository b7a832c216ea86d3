@props(['title', 'wide' => false, 'body' => '', 'kind' => null])
<!doctype html>
<html lang="en" @if (auth()->user()?->look) data-look="{{ auth()->user()->look }}" @endif @if (auth()->user()?->zone) data-zone-of="{{ auth()->user()->zone }}" @endif @if (auth()->user()?->dates) data-dates="{{ auth()->user()->dates }}" @endif @if (auth()->user()?->numbers) data-numbers="{{ auth()->user()->numbers }}" @endif>
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <title>{{ __('views/components.layout.misty_attic', ['title' => $title]) }}</title>
    @auth<meta name="person" content="{{ auth()->id() }}" data-key="{{ auth()->user()->keptKey() }}">@endauth
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    @vite(['resources/css/fonts.css', 'resources/css/built/app.css', 'resources/js/app.js'])
</head>
<body class="{{ $body }}" data-screen="{{ request()->route()?->getName() }}" @if ($kind !== null) data-kind="{{ $kind }}" @endif>
    <a class="skip" href="#main">{{ __('views/components.layout.to_the_content') }}</a>
    <header class="top">
        <a class="top-mark" href="{{ route('home') }}"><x-glyph name="mark" /> <b>{{ __('views/components.layout.misty_attic_name') }}</b></a>
        <span class="top-place">{{ config('attic.place') }}</span>
        @auth
            <form class="top-find" method="get" action="{{ route('find', absolute: false) }}" role="search" aria-label="{{ __('views/components.layout.in_every_version') }}"><input type="search" name="q" maxlength="200" value="{{ request()->routeIs('find') ? request()->query('q') : '' }}" placeholder="{{ __('views/components.layout.find_in_every_version') }}" aria-label="{{ __('views/components.layout.find_in_every_version') }}">@if (request()->route('item') instanceof App\Models\Item)<input type="hidden" name="near" value="{{ request()->route('item')->key }}">@endif</form>
            <x-waiting-count />
            <details class="menu top-me" data-menu>
                <summary><span class="is-sr-only">{{ __('views/components.layout.signed_in_as') }}</span> <x-monogram :user="auth()->user()" /></summary>
                <div class="menu-sheet is-right">
                    <p class="menu-note">{{ auth()->user()->name }}<br>{{ auth()->user()->email }}</p>
                    @unless (auth()->user()->proved)<form method="post" action="{{ route('address.ask') }}">@csrf<button class="menu-line">{{ __('views/components.layout.show_that_this_address_is_yours') }}</button></form>@endunless
                    <a class="menu-line" href="{{ route('account') }}">{{ __('views/components.layout.your_account') }}</a>
                    @if (auth()->user()->keeps_place)<a class="menu-line" href="{{ route('place') }}">{{ __('views/components.layout.the_whole_place') }}</a><a class="menu-line" href="{{ route('outbox') }}">{{ __('views/components.layout.outbox') }}</a>@endif
                    <form method="post" action="{{ route('sign-out') }}" data-sign-out>@csrf<button class="menu-line">{{ __('views/components.layout.sign_out') }}</button></form>
                </div>
            </details>
        @endauth
    </header>
    {{ $slot }}
    @if (session('said'))
        <p class="said" role="status" data-said>{{ session('said') }}</p>
    @endif
</body>
</html>
