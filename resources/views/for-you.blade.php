<x-layout title="For you">
    <div class="frame">
        <x-shelves :current="null" at="for-you" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>For you</h1><p>what waits for you, on all your shelves</p></div>
            @if ($notices === [])
                <div class="empty"><p>Nothing waits for you.</p><p>Edits of yours that were held back, wishes that need your yes, answers to yours, and restores over what you wrote come here.</p></div>
            @else
                <ul class="waiting">
                    @foreach ($notices as $notice)
                        <li class="card is-{{ $notice->sort }}">
                            <div><b>{{ $notice->said }}</b><p>{{ $notice->where }}@if ($notice->where !== ''), @endif<x-when :at="$notice->at" /></p></div>
                            <div class="waiting-do">
                                <a class="button" href="{{ $notice->address }}">{{ $notice->do }}</a>
                                @if ($notice->backTo !== null)<a class="button is-quiet" href="{{ $notice->backTo }}">Back as it was…</a>@endif
                                @if ($notice->isAside)<form method="post" action="{{ route('for-you.aside') }}">@csrf<input type="hidden" name="ref" value="{{ $notice->ref }}"><button class="button is-quiet" aria-label="Put aside: {{ $notice->said }}">Put aside</button></form>@endif
                            </div>
                        </li>
                    @endforeach
                </ul>
            @endif
            @if ($aside !== [])
                <details class="waiting-aside"><summary>Put aside lately, {{ count($aside) }}</summary><ul>@foreach ($aside as $done)<li><a href="{{ $done->address }}">{{ $done->said }}</a></li>@endforeach</ul></details>
            @endif
        </main>
    </div>
</x-layout>
