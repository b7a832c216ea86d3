<x-layout :title="__('views/for-you.for_you')">
    <div class="frame">
        <x-shelves :current="null" at="for-you" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>{{ __('views/for-you.for_you') }}</h1><p>{{ __('views/for-you.what_waits_for_you_on_all') }}</p></div>
            @if ($notices === [])
                <div class="empty"><p>{{ __('views/for-you.nothing_waits_for_you') }}</p><p>{{ __('views/for-you.edits_of_yours_that_were_held') }}</p></div>
            @else
                <ul class="waiting">
                    @foreach ($notices as $notice)
                        <li class="card is-{{ $notice->sort }}">
                            <div><b>{{ $notice->said }}</b><p>{{ $notice->where }}@if ($notice->where !== ''), @endif<x-when :at="$notice->at" /></p></div>
                            <div class="waiting-do">
                                <a class="button" href="{{ $notice->address }}">{{ $notice->do }}</a>
                                @if ($notice->backTo !== null)<a class="button is-quiet" href="{{ $notice->backTo }}">{{ __('views/for-you.back_as_it_was') }}</a>@endif
                                @if ($notice->isAside)<form method="post" action="{{ route('for-you.aside') }}">@csrf<input type="hidden" name="ref" value="{{ $notice->ref }}"><button class="button is-quiet" aria-label="{{ __('views/for-you.put_aside', ['notice' => $notice->said]) }}">{{ __('views/for-you.put_aside_heading') }}</button></form>@endif
                            </div>
                        </li>
                    @endforeach
                </ul>
            @endif
            @if ($aside !== [])
                <details class="waiting-aside"><summary>{{ __('views/for-you.put_aside_lately', ['aside' => count($aside)]) }}</summary><ul>@foreach ($aside as $done)<li><a href="{{ $done->address }}">{{ $done->said }}</a></li>@endforeach</ul></details>
            @endif
        </main>
    </div>
</x-layout>
