<x-reading :title="$link->item->title">
    <main class="answering">
        <h1>{{ __('proposing.link.thanks', ['name' => $name]) }}</h1>
        <p>{{ __('proposing.link.thanks_note') }}</p>
        @if ($link->used < $link->most)<p><a href="{{ route('visitor', $link->token) }}">{{ __('proposing.link.more') }}</a></p>@endif
    </main>
</x-reading>
