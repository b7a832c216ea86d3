<x-layout :title="__('second.title')">
    <div class="frame">
        <x-shelves :current="null" at="account" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>{{ __('second.title') }}</h1></div>
            <x-problems />
            @if (session('written'))
                <section class="panel second-written"><p>{{ __('second.written') }}</p><ul>@foreach (session('written') as $code)<li><code>{{ implode('-', str_split($code, 5)) }}</code></li>@endforeach</ul></section>
            @endif
            @if ($key === null)
                <form class="panel" method="post" action="{{ route('second.off') }}">
                    @csrf @method('delete')
                    <p>{{ __('second.is_on') }} {{ trans_choice('second.left', count($me->recovery)) }}</p>
                    <div class="field"><label class="label" for="current">{{ __('second.password') }}</label><input class="input" id="current" type="password" name="current" autocomplete="current-password" required></div>
                    <button class="button">{{ __('second.turn_off') }}</button>
                </form>
            @else
                <form class="panel" method="post" action="{{ route('second.store') }}">
                    @csrf
                    <p>{{ __('second.lead') }}</p>
                    <p>{{ __('second.scan') }}</p>
                    <div class="second-square" data-square="{{ $address }}" role="img" aria-label="{{ __('second.square') }}"></div>
                    <p><code class="second-key">{{ implode(' ', str_split($key, 4)) }}</code></p>
                    <div class="field"><label class="label" for="code">{{ __('second.code') }}</label><input class="input" id="code" name="code" maxlength="10" inputmode="numeric" autocomplete="one-time-code" required></div>
                    <button class="button is-dark">{{ __('second.turn_on') }}</button>
                </form>
            @endif
        </main>
    </div>
</x-layout>
