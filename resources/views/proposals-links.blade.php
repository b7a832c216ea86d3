@can('letPropose', $item)
    <details class="proposals-past" @if ($links->isNotEmpty()) open @endif>
        <summary>{{ __('proposing.link.title') }}</summary>
        @if ($links->isNotEmpty())
            <ol class="links-given">
                @foreach ($links as $link)
                    <li><input class="input" readonly value="{{ route('visitor', $link->token) }}" aria-label="{{ __('proposing.link.address') }}"> <small>{{ __('proposing.link.until', ['until' => App\Words\Days::long(App\Words\Clock::at($link->ends_at)), 'used' => (string) $link->used, 'most' => (string) $link->most]) }}</small>
                        <form method="post" action="{{ route('proposals.link.back', [$item, $link]) }}">@csrf @method('delete')<button class="button is-small">{{ __('proposing.link.take_back') }}</button></form></li>
                @endforeach
            </ol>
        @endif
        <form class="proposal-do" method="post" action="{{ route('proposals.link', $item) }}">
            @csrf
            <p>{{ __('proposing.link.note') }}</p>
            <label>{{ __('proposing.link.days') }} <input class="input is-short" type="number" name="days" min="1" max="90" value="{{ old('days', 14) }}" required></label>
            <label>{{ __('proposing.link.most') }} <input class="input is-short" type="number" name="most" min="1" max="100" value="{{ old('most', 5) }}" required></label>
            <button class="button">{{ __('proposing.link.give') }}</button>
        </form>
    </details>
@endcan
